import type { MakingEvent, MakingFiled } from '@usual-pantry/core/making';
import type { Practice } from '@usual-pantry/core/practice';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('making')
export class MakingRow {
  @PrimaryColumn('text') id: string;
  @Column('text') recipeId: string;
  @Column('real') size: number;
  @Column('text') madeOn: string;
  @Column('text') startedAt: string;
  @Column('text') state: MakingFiled['state'];
}

@Entity('making_event')
export class MakingEventRow {
  @PrimaryColumn('text') id: string;
  @Column('text') makingId: string;
  /** Counts the events of a making, from 1, in the order in which they were taken in. */
  @Column('integer') place: number;
  @Column('text') at: string;
  @Column('simple-json') event: MakingEvent;
}

@Entity('practice')
export class PracticeRow {
  @PrimaryColumn('text') id: string;
  @Column('text') at: string;
  @Column('text') drill: Practice['drill'];
  @Column('text') about: string;
  @Column('integer') score: number;
  @Column('text') verdict: string;
}
