import { orderDraftSchema, type OrderDraft } from '@usual-pantry/core/order';
import type { Mapping } from '../storage/records.js';
import { OrderAgreedRow, OrderLineRow, OrderRow } from './order.entity.js';

export const orderMapping: Mapping<OrderDraft, OrderRow> = {
  noun: 'order',
  schema: orderDraftSchema,
  entity: OrderRow,
  children: [
    {
      entity: OrderLineRow,
      key: 'orderId',
      relation: 'lines',
      rowsOf: ({ lines }) => lines.map((line, position) => ({ ...line, position })),
    },
    {
      entity: OrderAgreedRow,
      key: 'orderId',
      relation: 'agreed',
      rowsOf: ({ agreed }) => agreed.map((each, position) => ({ ...each, position })),
    },
  ],
  nameColumn: 'customerName',
  sortable: ['customerName', 'handOverOn', 'state'],
  toRow: ({ customer, handOver, exclusions, standIns, leftOut, labelSchool, state, history, depositMinor, notes, words }) => ({
    customerName: customer.name,
    customerContact: customer.contact,
    handOverOn: handOver.on,
    handOverWay: handOver.way,
    handOverPlace: handOver.place,
    exclusions,
    standIns,
    leftOut,
    labelSchool,
    state,
    history,
    depositMinor,
    notes,
    words,
  }),
  toDraft: (row) => ({
    customer: { name: row.customerName, contact: row.customerContact },
    lines: row.lines.map(({ boxId, count, edition, without }) => ({ boxId, count, edition, without })),
    handOver: { on: row.handOverOn, way: row.handOverWay, place: row.handOverPlace },
    exclusions: row.exclusions,
    agreed: row.agreed.map(({ boxId, exclusion }) => ({ boxId, exclusion })),
    standIns: row.standIns,
    leftOut: row.leftOut,
    labelSchool: row.labelSchool,
    state: row.state,
    history: row.history,
    depositMinor: row.depositMinor,
    notes: row.notes,
    words: row.words,
  }),
};
