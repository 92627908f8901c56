import type { Decision } from '@usual-pantry/core/plan';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What was decided about the season. One row. */
@Entity('season_plan')
export class SeasonPlanRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('simple-json') guide: Decision['guide'];
  /** Null for a plan that came with a file. */
  @Column('simple-json', { nullable: true }) solved: Decision['solved'];
}
