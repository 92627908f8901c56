import type { PieceDraft } from '@usual-pantry/core/piece';
import { Column, Entity, JoinColumn, ManyToOne, OneToMany, PrimaryColumn, type Relation } from 'typeorm';

@Entity('piece')
export class PieceRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('text', { select: false }) searchText: string;
  @Column('text') name: string;
  @Column('simple-json') form: PieceDraft['form'];
  // The recipes of the form once more, as foreign keys: a moulded piece's first filling is its body, its shell its coating; all others are layers.
  @Column('text') bodyRecipeId: string;
  @Column('text', { nullable: true }) finishRecipeId: string | null;
  @Column('text', { nullable: true }) coatingRecipeId: string | null;
  @Column('simple-json', { nullable: true }) sizeMm: PieceDraft['sizeMm'];
  @Column('integer', { nullable: true }) keepsDays: number | null;
  @Column('real') handSeconds: number;
  @Column('text') travel: PieceDraft['travel'];
  @Column('simple-json') air: PieceDraft['air'];
  @Column('boolean') setsInFridge: boolean;
  @Column('simple-json') keepsAir: PieceDraft['keepsAir'];
  @Column('simple-json', { nullable: true }) stands: PieceDraft['stands'];
  @Column('integer') thawNights: number;
  @Column('simple-json') strong: PieceDraft['strong'];
  @Column('text', { nullable: true }) texture: PieceDraft['texture'];
  @Column('text') colour: string;
  @Column('text') notes: string;
  @OneToMany(() => PieceLayerRow, (layer) => layer.piece) layers: Relation<PieceLayerRow>[];
}

/** A further recipe of a piece: a filling, a layer, what its centre is rolled in. */
@Entity('piece_layer')
export class PieceLayerRow {
  @PrimaryColumn('text') pieceId: string;
  @PrimaryColumn('integer') position: number;
  @Column('text') recipeId: string;
  @ManyToOne(() => PieceRow, (piece) => piece.layers)
  @JoinColumn({ name: 'pieceId' })
  piece: Relation<PieceRow>;
}
