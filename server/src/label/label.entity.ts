import { Column, Entity, PrimaryColumn } from 'typeorm';

@Entity('label_print')
export class LabelPrintRow {
  @PrimaryColumn('text') id: string;
  @Column('text') at: string;
  @Column('text') boxId: string;
  @Column('text') handOver: string;
  @Column('text') packedKey: string;
  @Column('text') lot: string;
  @Column('integer') count: number;
  @Column('text') words: string;
  @Column('text') reason: string;
}

@Entity('weighing')
export class WeighingRow {
  @PrimaryColumn('text') id: string;
  @Column('text') at: string;
  @Column('text') boxId: string;
  @Column('integer') declaredGrams: number;
  @Column('simple-json') weights: number[];
}
