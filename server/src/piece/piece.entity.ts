import type { PieceDraft } from '@usual-pantry/core/piece';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('piece')
export class PieceRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('text') name: string;
  @Column('simple-json') form: PieceDraft['form'];
  // The recipes of the form once more, as foreign keys.
  @Column('text') bodyRecipeId: string;
  @Column('text', { nullable: true }) finishRecipeId: string | null;
  @Column('text', { nullable: true }) coatingRecipeId: string | null;
  @Column('integer') keepsDays: number;
  @Column('real') handSeconds: number;
  @Column('text') travel: PieceDraft['travel'];
  @Column('text') colour: string;
  @Column('text') notes: string;
}
