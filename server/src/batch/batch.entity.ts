import type { BatchDraft } from '@usual-pantry/core/batch';
import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('batch')
export class BatchRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('text', { select: false }) searchText: string;
  @Column('text') recipeId: string;
  @Column('text') madeOn: string;
  @Column('real') size: number;
  @Column('text') state: BatchDraft['state'];
  @Column('real', { nullable: true }) grams: number | null;
  @Column('text', { nullable: true }) finishedOn: string | null;
  @Column('simple-json') stageDays: BatchDraft['stageDays'];
  @Column('simple-json') taken: BatchDraft['taken'];
  @Column('simple-json', { nullable: true }) log: BatchDraft['log'];
  @Column('text') notes: string;
}
