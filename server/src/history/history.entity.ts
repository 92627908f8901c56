import type { Fields } from '@usual-pantry/core/history';
import { Column, Entity, PrimaryColumn, PrimaryGeneratedColumn } from 'typeorm';

/** One change of what is kept: everything that a write did. */
@Entity('change_log')
export class ChangeRow {
  @PrimaryGeneratedColumn() id: number;
  @Column('text') at: string;
  /** Session that it was made in; empty where nobody has to sign in. */
  @Column('text') sessionId: string;
  @Column('text') deviceName: string;
  @Column('text') label: string;
  /** In which order changes were taken back; null while it stands. */
  @Column('integer', { nullable: true }) undoneOrder: number | null;
  /** Whether something else was changed after it was taken back: then it is done again only when asked for by itself. */
  @Column('boolean') isPassed: boolean;
}

/** What a change did to one record. */
@Entity('change_part')
export class ChangePartRow {
  @PrimaryColumn('integer') changeId: number;
  @PrimaryColumn('integer') position: number;
  @Column('text') noun: string;
  @Column('text') recordId: string;
  @Column('text') name: string;
  /** What the record held of what was changed; null when there was none. */
  @Column('simple-json', { nullable: true }) before: Fields | null;
  @Column('simple-json', { nullable: true }) after: Fields | null;
  /** Which fields were changed; null when the record was added or deleted. */
  @Column('simple-json', { nullable: true }) fields: readonly string[] | null;
}
