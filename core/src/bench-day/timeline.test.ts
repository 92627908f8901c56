import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { bookOf, order, TODAY } from '../../testing/kitchen.js';
import { anyRealOrders, realBench, realPantry } from '../../testing/real-kitchen.js';
import { planSeason } from '../plan/index.js';
import { handOversOf, sayBenchTime, timelineOf, timelineOfBox } from './index.js';

const book = bookOf({ ...realPantry, kitchen: realBench });
const only = order('Ada', { fine: 6 }, '2026-12-12');

describe('the way back from a hand-over', () => {
  const plan = planSeason(book, [only], TODAY);
  const steps = timelineOf(only, plan, book);

  it('ends with the first component and begins with the hand-over, each day’s work on the clock', () => {
    expect(steps[0]).toMatchObject({ kind: 'hand over', text: 'Hand over to Ada', day: '2026-12-12' });
    expect(steps.map(({ day }) => day)).toEqual([...steps.map(({ day }) => day)].sort().reverse());
    const kinds = new Set(steps.map(({ kind, text }) => `${kind} ${text}`));
    for (const wanted of [
      'pack Pack fine',
      'finish Shell and fill dome',
      'finish Cap and knock out dome',
      'finish Finish truffle',
      'make ganache',
      'make paste',
      'make coating',
    ])
      expect(kinds).toContain(wanted);
    const filled = steps.find(({ text }) => text === 'Shell and fill dome');
    expect(filled?.rest).toBe('sets over night in its moulds');
    expect(sayBenchTime({ begins: filled?.begins ?? null }, filled?.from ?? 0)).toMatch(/^\d\d:\d\d$/);
    expect(kinds).not.toContain('make toffee');
  });

  it('tells of every batch and every stage that the order cannot do without', () => {
    fc.assert(
      fc.property(anyRealOrders(), (orders) => {
        const whole = planSeason(book, orders, TODAY);
        for (const each of orders) {
          if (whole.leftOut.includes(each.id)) continue;
          const told = timelineOf(each, whole, book);
          const on = each.handOver.on;
          for (const { recipeName, day, pegs } of whole.runs)
            if (pegs.some((peg) => peg.role === 'body' && peg.handOver === on && peg.id === 'dome'))
              expect(told.some((step) => step.kind === 'make' && step.text === recipeName && step.day === day)).toBe(
                true,
              );
          for (const { pieceId, handOver, work } of whole.finishings)
            if (pieceId === 'dome' && handOver === on)
              for (const { day } of work)
                expect(told.some((step) => step.kind === 'finish' && step.day === day)).toBe(true);
        }
      }),
      { numRuns: 15 },
    );
  });

  it('is empty but for the hand-over where nothing is planned', () => {
    const impossible = order('Bo', { fine: 2 }, '2026-11-26');
    expect(timelineOf(impossible, planSeason(book, [impossible], TODAY), book)).toHaveLength(1);
  });

  it('is told of a box by itself, for each hand-over that has it', () => {
    const two = [only, order('Bo', { fine: 2 }, '2026-12-19')];
    const whole = planSeason(book, two, TODAY);
    expect(handOversOf('fine', whole)).toEqual(['2026-12-12', '2026-12-19']);
    const fine = book.boxes.get('fine');
    if (!fine) throw new Error('no box');
    for (const each of two) {
      const own = timelineOfBox(fine, each.handOver.on, whole, book);
      expect(own[0]).toMatchObject({ kind: 'hand over', text: 'Hand over fine', day: each.handOver.on });
      expect(own.slice(1)).toEqual(timelineOf(each, whole, book).slice(1));
    }
  });
});
