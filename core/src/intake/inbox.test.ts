import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { order, TODAY } from '../../testing/kitchen.js';
import { planMessage, shopMessageSchema, shopOrderId, type KnownOrder, type ShopMessage } from './inbox.js';
import { shelfOf } from './shelf.js';

const shelf = shelfOf([
  { id: 'table', name: 'Table box' },
  { id: 'night', name: 'Longest Night box' },
]);
const message = (revision: number, count: number, more: Partial<ShopMessage['order']> = {}): ShopMessage =>
  shopMessageSchema.parse({
    id: `m-${String(revision)}`,
    reference: 'S-1',
    revision,
    order: {
      customer: { name: 'Ada' },
      lines: [{ box: 'Table box', count }],
      handOver: { on: '2026-12-05', way: 'courier' },
      ...more,
    },
  });

describe('a message of the shop', () => {
  it('leaves the newest order, however the messages arrive and however often', () => {
    const arrivals = fc
      .shuffledSubarray([1, 2, 3, 4, 5], { minLength: 1 })
      .chain((revisions) =>
        fc.tuple(fc.constant(revisions), fc.array(fc.constantFrom(...revisions), { maxLength: 5 })),
      );
    fc.assert(
      fc.property(arrivals, ([revisions, again]) => {
        let known: KnownOrder | null = null;
        for (const revision of [...revisions, ...again]) {
          const plan = planMessage(message(revision, revision * 2), known, shelf, TODAY);
          if (plan.fate !== 'taken') continue;
          const version: number = (known?.version ?? 0) + 1;
          known = { revision, version, stored: { ...plan.draft, version } };
        }
        expect(known?.stored?.lines).toEqual([
          { boxId: 'table', count: Math.max(...revisions) * 2, edition: null, without: [] },
        ]);
      }),
    );
  });

  it('is confirmed, paid or cancelled as the shop says, but never unpacked', () => {
    const state = (more: Partial<ShopMessage['order']>, stored: KnownOrder['stored'] = null) =>
      planMessage(message(2, 1, more), stored && { revision: 1, version: stored.version, stored }, shelf, TODAY).draft
        ?.state;
    expect(state({})).toBe('confirmed');
    expect(state({ paidMinor: 500 })).toBe('confirmed');
    expect(state({ cancelled: true })).toBe('cancelled');
    const packed = { ...order('Ada', { table: 1 }, '2026-12-05', { state: 'packed' }), version: 3 };
    expect(state({ paidMinor: 500 }, packed)).toBe('packed');
  });

  it('waits for the maker where both have changed the order, and gives way when told', () => {
    const stored = { ...order('Ada', { table: 1 }, '2026-12-05', { notes: 'ribbon' }), version: 5 };
    const known = { revision: 1, version: 4, stored };
    expect(planMessage(message(2, 7), known, shelf, TODAY)).toMatchObject({ fate: 'to decide' });
    expect(planMessage(message(2, 7), known, shelf, TODAY, true)).toMatchObject({
      fate: 'taken',
      draft: { notes: 'ribbon', lines: [{ count: 7 }] },
    });
  });

  it('that is out of date stays so, even when the maker asks for it', () => {
    const known = { revision: 3, version: 1, stored: null };
    expect(planMessage(message(2, 7), known, shelf, TODAY, true)).toMatchObject({ fate: 'out of date', draft: null });
  });

  it('is refused with every reason at once', () => {
    const wrong = message(1, 1, {
      lines: [{ box: 'Moon box', count: 1 }],
      exclusions: ['dust'],
      handOver: { on: '2026-11-20', way: 'stall', place: '' },
    });
    expect(planMessage(wrong, null, shelf, TODAY).why).toBe(
      'S-1: there is no one box “Moon box”; “dust” is nothing that can be ruled out; Friday 20 November has passed.',
    );
  });

  it('is refused in words when its lines are too much together, and lines that come to the same are one', () => {
    const lines = (
      first: { box: string; count: number },
      second: { box: string; count: number },
      exclusions: string[] = [],
    ) => planMessage(message(1, 1, { lines: [first, second], exclusions }), null, shelf, TODAY);
    const many = lines({ box: 'Table box', count: 392 }, { box: 'table', count: 376 });
    expect(many).toMatchObject({ fate: 'refused', why: 'S-1: lines[0].count must be 500 or fewer.' });
    const alike = lines({ box: 'Table box no egg', count: 2 }, { box: 'Table box', count: 3 }, ['no egg']);
    expect(alike.draft?.lines).toMatchObject([{ boxId: 'table', count: 5, without: [] }]);
  });

  it('rules out what any part of it rules out', () => {
    const plan = planMessage(
      message(1, 1, {
        customer: { name: 'Ada (nut allergy)', contact: '' },
        lines: [
          { box: 'Table box no egg', count: 1 },
          { box: 'night', count: 2 },
        ],
        exclusions: ['vegan', 'no sesame'],
        notes: 'Please without coconut.',
      }),
      null,
      shelf,
      TODAY,
    );
    expect(plan.draft).toMatchObject({
      customer: { name: 'Ada' },
      exclusions: ['vegan', 'sesame', 'nuts', 'coconut'],
      lines: [
        { boxId: 'table', without: ['egg'] },
        { boxId: 'night', without: [] },
      ],
    });
    expect(planMessage(message(1, 1, { exclusions: ['halal'] }), null, shelf, TODAY).fate).toBe('refused');
  });

  it('names its order the same way each time', () => {
    expect(shopOrderId('S-1')).toBe(shopOrderId('S-1'));
    expect(shopOrderId('S-1')).not.toBe(shopOrderId('S-2'));
  });
});
