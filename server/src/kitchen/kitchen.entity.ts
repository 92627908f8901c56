import type { KitchenDraft } from '@usual-pantry/core/kitchen';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** The one row of settings. */
@Entity('kitchen')
export class KitchenRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('simple-json') settings: KitchenDraft;
}
