import { describe, expect, it } from '@jest/globals';
import { readFileSync } from 'node:fs';
import { batch } from '../../testing/kitchen.js';
import { addDays, daysBetween } from '../quantity/index.js';
import { sayPath } from '../record/index.js';
import { fromStart } from '../recipe/index.js';
import { openBook } from '../book/index.js';
import { planSeason } from '../plan/index.js';
import { moveSeason, readSeasonFile } from './read.js';
import { seasonFileJsonSchema, seasonFileSchema, type SeasonFile } from './schema.js';

const demo = (): SeasonFile => seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const wrongIn = (value: unknown) =>
  readSeasonFile(value).wrong.map(({ path, message }) => `${sayPath(path)}: ${message}`);
const first = <T>(list: readonly T[]): T => {
  const [found] = list;
  if (found === undefined) throw new Error('the demo has none');
  return found;
};

describe('the demo', () => {
  it('is a season file that can be taken as it is', () => {
    expect(wrongIn(demo())).toEqual([]);
  });

  it('has no loose ends: everything can be weighed, priced and labelled', () => {
    const file = demo();
    const book = openBook(file);
    expect(book.findings).toEqual([]);
    expect([...book.boxes.values()].every((facts) => facts.complete)).toBe(true);
  });

  it('has the exclusions that a maker must decide, and one that a stand-in has decided', () => {
    const file = demo();
    const plan = planSeason(openBook(file), file.orders, file.writtenFor);
    expect(
      plan.labels.filter(({ without }) => without.length > 0).map(({ boxId, without }) => [boxId, without]),
    ).toEqual(['2026-12-14', '2026-12-16', '2026-12-21'].map(() => ['longest-night', ['alcohol']]));
    expect(plan.findings.filter((each) => each.code === 'exclusion-broken').map((each) => each.about.name)).toEqual([
      'Dorrit Aldersey',
      'Quillon Ferrand',
      'Zelda Rasmussen',
      'Aurelia Kowalczyk-Hart',
    ]);
    expect(new Set(plan.findings.map(({ key }) => key)).size).toBe(plan.findings.length);
  });
});

it('a file of an earlier version is read in the words of today', () => {
  const order = { customer: { name: 'Wren' }, lines: [], handOver: { on: '2026-12-19', way: 'courier' } };
  const message = {
    id: 'm',
    receivedAt: '2026-11-20T10:00:00Z',
    reference: 'S-1',
    revision: 1,
    message: { id: 'm', reference: 'S-1', revision: 1, order: { ...order, lines: [{ box: 'Sampler', count: 1 }] } },
    fate: 'to settle',
    why: 'changed here',
    orderId: 'o',
    orderStands: false,
  };
  expect(readSeasonFile({ ...demo(), messages: [message] }).file?.messages).toMatchObject([{ fate: 'to decide' }]);
  expect(readSeasonFile({ ...demo(), messages: [{ ...message, fate: 'lost' }] }).wrong).toMatchObject([
    { path: ['messages', 0, 'fate'] },
  ]);
});

it('an order that was in the state of being paid has that as a payment', () => {
  const file = demo();
  const [one, other] = file.orders as { state: string; payments?: unknown; history?: unknown }[];
  if (!one || !other) throw new Error('no orders');
  Object.assign(one, { state: 'paid', history: [{ state: 'paid', at: '2026-11-20T10:00:00Z' }] });
  delete one.payments;
  Object.assign(other, { state: 'packed', history: [] });
  delete other.payments;
  const read = readSeasonFile(file).file?.orders;
  expect(read?.[0]).toMatchObject({ state: 'confirmed', payments: [{ on: '2026-11-20', minor: null }] });
  expect(read?.[1]).toMatchObject({ state: 'packed', payments: [] });
});

describe('a wrong file', () => {
  it('names the path of every wrong value', () => {
    const file = demo();
    first(file.orders).handOver.on = 'soon';
    first(first(file.recipes).lines).amount = -3;
    (first(file.ingredients) as { colour?: string }).colour = 'red';
    expect(wrongIn(file)).toEqual([
      'ingredients[0]: Unrecognized key: "colour"',
      'recipes[0].lines[0].amount: must be more than zero',
      'orders[0].handOver.on: must be a day such as 2026-12-05',
    ]);
  });

  it('names what refers to nothing, what is there twice, and a cycle', () => {
    const file = demo();
    first(file.orders).lines = [{ boxId: 'lost', count: 1, edition: null, without: [] }];
    file.boxes.push(structuredClone(first(file.boxes)));
    file.batches.push(batch('one', 'lost', '2026-11-20'), batch('one', 'dark-coating', '2026-11-20'));
    const coating = file.recipes.find((each) => each.id === 'dark-coating');
    coating?.lines.push({
      uses: { kind: 'recipe', id: 'ginger-bark' },
      amount: 1,
      unit: 'g',
      state: null,
      note: '',
      ...fromStart,
    });
    expect(wrongIn(file)).toEqual([
      `boxes[${file.boxes.length - 1}].id: "sampler" is there twice`,
      'batches[1].id: "one" is there twice',
      'orders[0].lines[0].boxId: there is no box "lost"',
      'batches[0].recipeId: there is no recipe "lost"',
      'recipes[0].lines[1].uses.id: a recipe cannot be made of itself: Dark coating > Ginger and cocoa-nib bark > Dark coating',
    ]);
  });

  it.each([null, 42, 'text', [], {}])('that is %j is refused with words', (value) => {
    expect(readSeasonFile(value).file).toBeNull();
    expect(wrongIn(value).length).toBeGreaterThan(0);
  });
});

describe('moving the dates', () => {
  it('moves by whole weeks, so that the season lies ahead and weekdays stay', () => {
    const file = demo();
    const moved = moveSeason(file, '2027-03-04');
    expect(moved.writtenFor).toBe('2027-03-10');
    moved.orders.forEach((order, index) => {
      const before = Date.parse(file.orders[index]?.handOver.on ?? '');
      expect((Date.parse(order.handOver.on) - before) % (7 * 86_400_000)).toBe(0);
      expect(order.handOver.on > '2027-03-04').toBe(true);
    });
    const paid = (season: SeasonFile) => season.ingredients.flatMap(({ prices }) => prices.map(({ on }) => on));
    expect(paid(moved).length).toBeGreaterThan(0);
    expect(paid(moved)).toEqual(paid(file).map((on) => addDays(on, daysBetween(file.writtenFor, moved.writtenFor))));
    expect(moveSeason(file, file.writtenFor)).toEqual(file);
  });

  it('moves what was made, what was decided and what differs with them', () => {
    const file = {
      ...demo(),
      batches: [
        batch('one', 'maple-pecan-fudge', '2026-11-21', {
          finishedOn: '2026-11-22',
          taken: [
            { ingredientId: 'heavy-cream', grams: 200, useBy: '2026-12-02' },
            { ingredientId: 'sugar', grams: 500, useBy: null },
          ],
        }),
      ],
    };
    const moved = moveSeason(file, '2026-12-02');
    expect(moved.batches).toMatchObject([
      { on: '2026-11-28', finishedOn: '2026-11-29', taken: [{ useBy: '2026-12-09' }, { useBy: null }] },
    ]);
    const days = ({ plan, kitchen }: SeasonFile) => [
      ...(plan?.batches ?? []).map(({ day }) => day),
      ...kitchen.dayChanges.map(({ day }) => day),
    ];
    expect(days(moved)).toEqual(days(file).map((day) => addDays(day, 7)));
  });
});

it('describes itself as a JSON Schema', () => {
  const schema = seasonFileJsonSchema();
  expect(schema).toMatchObject({ title: 'Usual Pantry season file', type: 'object', additionalProperties: false });
  expect(schema.required).toEqual(expect.arrayContaining(['format', 'kitchen', 'orders']));
});
