import type { MessageFate, ShopMessage } from '@usual-pantry/core/intake';
import { Column, Entity, PrimaryColumn } from 'typeorm';

/** A message of the shop and what became of it. */
@Entity('inbox_message')
export class InboxMessageRow {
  @PrimaryColumn('text') id: string;
  @Column('text') receivedAt: string;
  @Column('text') reference: string;
  @Column('integer') revision: number;
  @Column('simple-json') message: ShopMessage;
  @Column('text') fate: MessageFate;
  @Column('text') why: string;
  @Column('text') orderId: string;
  /** The version of the order that it left; null when it was not taken. */
  @Column('integer', { nullable: true }) orderVersion: number | null;
}
