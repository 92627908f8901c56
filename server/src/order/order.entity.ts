import type { OrderDraft } from '@usual-pantry/core/order';
import { Column, Entity, JoinColumn, ManyToOne, OneToMany, PrimaryColumn, type Relation } from 'typeorm';

@Entity('customer_order')
export class OrderRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('text', { select: false }) searchText: string;
  @Column('text') customerName: string;
  @Column('text') customerContact: string;
  @Column('text') handOverOn: string;
  @Column('text') handOverWay: OrderDraft['handOver']['way'];
  @Column('text') handOverPlace: string;
  @Column('simple-json') exclusions: string[];
  @Column('simple-json') standIns: OrderDraft['standIns'];
  @Column('simple-json') leftOut: OrderDraft['leftOut'];
  @Column('text', { nullable: true }) labelSchool: OrderDraft['labelSchool'];
  @Column('text') state: OrderDraft['state'];
  @Column('simple-json') history: OrderDraft['history'];
  @Column('integer') depositMinor: number;
  @Column('simple-json') payments: OrderDraft['payments'];
  @Column('text') notes: string;
  @Column('text') words: string;
  @OneToMany(() => OrderLineRow, (line) => line.order) lines: Relation<OrderLineRow>[];
  @OneToMany(() => OrderAgreedRow, (agreed) => agreed.order) agreed: Relation<OrderAgreedRow>[];
}

@Entity('order_line')
export class OrderLineRow {
  @PrimaryColumn('text') orderId: string;
  @PrimaryColumn('integer') position: number;
  @Column('text') boxId: string;
  @Column('integer') count: number;
  @Column('integer', { nullable: true }) edition: number | null;
  @Column('simple-json') without: string[];
  @ManyToOne(() => OrderRow, (order) => order.lines)
  @JoinColumn({ name: 'orderId' })
  order: Relation<OrderRow>;
}

/** A broken exclusion that the customer takes all the same. */
@Entity('order_agreed')
export class OrderAgreedRow {
  @PrimaryColumn('text') orderId: string;
  @PrimaryColumn('integer') position: number;
  @Column('text') boxId: string;
  @Column('text') exclusion: string;
  @ManyToOne(() => OrderRow, (order) => order.agreed)
  @JoinColumn({ name: 'orderId' })
  order: Relation<OrderRow>;
}
