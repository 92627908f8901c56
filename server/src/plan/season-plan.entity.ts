import type { Guide } from '@usual-pantry/core/plan';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** What the solver said of a plan when it was found. */
export interface SolvedFigures {
  readonly objective: number;
  readonly bound: number;
  readonly gap: number;
  readonly seconds: number;
  readonly at: string;
}

/** What was decided about the season. One row. */
@Entity('season_plan')
export class SeasonPlanRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('simple-json') guide: Guide;
  /** Null for a plan that came with a file. */
  @Column('simple-json', { nullable: true }) solved: SolvedFigures | null;
}
