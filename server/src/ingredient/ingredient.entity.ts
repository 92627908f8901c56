import type { IngredientDraft } from '@usual-pantry/core/ingredient';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('ingredient')
export class IngredientRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('text', { select: false }) searchText: string;
  @Column('text') name: string;
  @Column('simple-json') packs: IngredientDraft['packs'];
  @Column('simple-json') densities: IngredientDraft['densities'];
  @Column('real', { nullable: true }) pieceGrams: number | null;
  @Column('simple-json', { nullable: true }) composition: IngredientDraft['composition'];
  @Column('simple-json') declaration: IngredientDraft['declaration'];
  @Column('simple-json') contains: IngredientDraft['contains'];
  @Column('simple-json') mayContain: IngredientDraft['mayContain'];
  @Column('real') onHandGrams: number;
  @Column('simple-json') lots: IngredientDraft['lots'];
  @Column('integer', { nullable: true }) keepsDays: number | null;
  @Column('text', { nullable: true }) chocolate: IngredientDraft['chocolate'];
  @Column('simple-json') traits: IngredientDraft['traits'];
  @Column('simple-json') substitutes: IngredientDraft['substitutes'];
  @Column('simple-json') prices: IngredientDraft['prices'];
  @Column('text') notes: string;
}
