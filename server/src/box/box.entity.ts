import type { BoxDraft } from '@usual-pantry/core/box';
import { Column, Entity, JoinColumn, ManyToOne, OneToMany, PrimaryColumn, type Relation } from 'typeorm';

@Entity('box')
export class BoxRow {
  @PrimaryColumn('text') id: string;
  @Column('integer') version: number;
  @Column('text', { select: false }) searchText: string;
  @Column('text') name: string;
  @Column('text') foodName: string;
  @Column('text') foodNameFrench: string;
  @Column('integer') rows: number;
  @Column('integer') columns: number;
  @Column('integer') layers: number;
  @Column('simple-json', { nullable: true }) tray: BoxDraft['tray'];
  @Column('simple-json', { nullable: true }) panel: BoxDraft['panel'];
  @Column('simple-json') packaging: BoxDraft['packaging'];
  @Column('real') packMinutes: number;
  @Column('integer') priceMinor: number;
  @Column('text') notes: string;
  @Column('integer') edition: number;
  @Column('simple-json') editions: BoxDraft['editions'];
  @OneToMany(() => BoxCellRow, (cell) => cell.box) cells: Relation<BoxCellRow>[];
}

/** A filled cell; empty ones have no row. */
@Entity('box_cell')
export class BoxCellRow {
  @PrimaryColumn('text') boxId: string;
  @PrimaryColumn('integer') position: number;
  @Column('text') pieceId: string;
  @Column('integer') count: number;
  @Column('simple-json') standIns: string[];
  @ManyToOne(() => BoxRow, (box) => box.cells)
  @JoinColumn({ name: 'boxId' })
  box: Relation<BoxRow>;
}
