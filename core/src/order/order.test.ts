import { describe, expect, it } from '@jest/globals';
import { bookOf, box, ingredient, line, order, piece, recipe, TODAY } from '../../testing/kitchen.js';
import { agreeTo, standInFor, swapBox } from './edits.js';
import { boxFor, changesOf } from './packed.js';
import { doubleFindings } from './doubles.js';
import { breachesOf, findingsOfOrder } from './findings.js';
import { orderDraftSchema } from './schema.js';
import { wrongInOrder, wrongInOrderEdit } from './check.js';

const rolled = (recipeId: string) => ({ kind: 'rolled' as const, recipeId, centreGrams: 10 });
const book = bookOf({
  ingredients: [
    ingredient('seed', { contains: ['sesame'] }),
    ingredient('beer', { contains: ['barley', 'alcohol'] }),
    ingredient('plain'),
  ],
  recipes: [recipe('a', [line('seed', 100)]), recipe('b', [line('beer', 100)]), recipe('c', [line('plain', 100)])],
  pieces: [piece('toffee', rolled('a')), piece('stout', rolled('b')), piece('mint', rolled('c'))],
  boxes: [box('mixed', ['toffee', 'stout', 'mint']), box('clear', ['mint']), box('empty', [null])],
});

describe('an exclusion', () => {
  it('that a box breaks is a decision with ways out, never silent', () => {
    const [found, ...others] = findingsOfOrder(
      order('Ada', { mixed: 2 }, '2026-12-05', { exclusions: ['gluten'] }),
      book,
      TODAY,
    );
    expect(others).toEqual([]);
    expect(found).toMatchObject({
      code: 'exclusion-broken',
      severity: 'decide',
      message: 'Ada wants no gluten, but mixed contains barley (stout).',
    });
    expect(found?.waysOut.map((way) => way.label)).toEqual([
      'Put mint in place of stout',
      'Change to clear',
      'Open the order',
      'Leave 1 piece out, $6.67 less a box',
      'Copy a message to the customer',
      'The customer knows and agrees',
    ]);
  });

  it('is decided by another box', () => {
    const before = order('Ada', { mixed: 2, clear: 1 }, '2026-12-05', { exclusions: ['sesame'] });
    const after = { ...before, ...swapBox(before, { boxId: 'mixed', without: [] }, 'clear') };
    expect(after.lines).toEqual([{ boxId: 'clear', count: 3, edition: null, without: [] }]);
    expect(findingsOfOrder(after, book, TODAY)).toEqual([]);
  });

  it('is decided when the customer knows, for that box and that exclusion only', () => {
    const before = order('Ada', { mixed: 1 }, '2026-12-05', { exclusions: ['sesame', 'alcohol'] });
    const after = { ...before, ...agreeTo(before, 'mixed', 'sesame') };
    expect(breachesOf(after, book).map(({ exclusion, agreed }) => [exclusion, agreed])).toEqual([
      ['sesame', true],
      ['alcohol', false],
    ]);
    expect(findingsOfOrder(after, book, TODAY)).toHaveLength(1);
  });

  it('may hold for some of the boxes only: the others stay as they are sold', () => {
    const ada = order('Ada', {}, '2026-12-05', {
      lines: [
        { boxId: 'mixed', count: 2 },
        { boxId: 'mixed', count: 1, without: ['sesame'] },
      ],
    });
    const [plain, spared] = ada.lines;
    if (!plain || !spared) throw new Error('no lines');
    expect(breachesOf(ada, book).map(({ line }) => line)).toEqual([spared]);
    const changed = {
      ...ada,
      ...standInFor(ada, 'mixed', [{ pieceId: 'toffee', withId: 'mint' }]),
    };
    expect(findingsOfOrder(changed, book, TODAY)).toEqual([]);
    expect(boxFor(changed, plain, book)?.standIns).toEqual([]);
    const packed = boxFor(changed, spared, book);
    expect(packed && changesOf(packed, book)).toEqual(['1 × mint in place of toffee']);
    expect(swapBox(ada, spared, 'clear').lines).toEqual([
      { boxId: 'mixed', count: 2, edition: null, without: [] },
      { boxId: 'clear', count: 1, edition: null, without: ['sesame'] },
    ]);
  });

  it('without a stand-in is offered a clear piece of the same box, the nearest in weight and price', () => {
    const weights = { plain: 10, near: 12, far: 30, sesame: 11 };
    const many = bookOf({
      ingredients: [ingredient('seed', { contains: ['sesame'] }), ingredient('plain')],
      recipes: [recipe('seeds', [line('seed', 100)]), recipe('plain', [line('plain', 100)])],
      pieces: Object.entries(weights).map(([id, centreGrams]) =>
        piece(id, { kind: 'rolled', recipeId: id === 'sesame' ? 'seeds' : 'plain', centreGrams }),
      ),
      boxes: [box('b', ['far', 'plain', 'near', 'sesame', 'sesame'])],
    });
    const ways = (costOf?: (id: string) => number) =>
      findingsOfOrder(order('Ada', { b: 1 }, '2026-12-05', { exclusions: ['sesame'] }), many, TODAY, costOf)[0]
        ?.waysOut[0];
    expect(ways()?.label).toBe('Put near in place of sesame');
    expect(ways((id) => (id === 'near' ? 900 : 100))?.label).toBe('Put plain in place of sesame');
    expect(ways()?.action).toMatchObject({ kind: 'stand-in', standIns: [{ pieceId: 'sesame', withId: 'near' }] });
  });

  it('of alcohol says where a flavouring is made with it', () => {
    const extract = bookOf({
      ingredients: [ingredient('vanilla', { contains: ['alcohol-carrier'] })],
      recipes: [recipe('r', [line('vanilla', 100)])],
      pieces: [piece('p', rolled('r'))],
      boxes: [box('b', ['p'])],
    });
    const found = (exclusion: string) =>
      findingsOfOrder(order('Ada', { b: 1 }, '2026-12-05', { exclusions: [exclusion] }), extract, TODAY);
    expect(found('alcohol')).toMatchObject([{ code: 'alcohol-carrier', severity: 'know' }]);
    expect(found('any-alcohol')).toMatchObject([{ code: 'exclusion-broken', severity: 'decide' }]);
  });

  it('of one ingredient or piece is kept like any other, and names what is there', () => {
    const found = (exclusion: string) =>
      findingsOfOrder(order('Ada', { mixed: 1 }, '2026-12-05', { exclusions: [exclusion] }), book, TODAY);
    expect(found('ingredient:seed')[0]?.message).toBe('Ada wants no seed, but mixed contains seed (toffee).');
    expect(found('piece:stout')[0]?.message).toBe('Ada wants no stout, but mixed contains stout (stout).');
    expect(found('ingredient:other')).toEqual([]);
    expect(
      wrongInOrder(order('Ada', { mixed: 1 }, '2026-12-05', { exclusions: ['piece:lost'] }), (noun) => noun === 'box'),
    ).toEqual([{ path: ['exclusions', 0], message: 'there is no piece "lost"' }]);
  });

  it('of a closed order is no longer asked about', () => {
    expect(
      findingsOfOrder(
        order('Ada', { mixed: 1 }, '2026-12-05', { exclusions: ['sesame'], state: 'cancelled' }),
        book,
        TODAY,
      ),
    ).toEqual([]);
  });
});

it('tells of traces that suppliers speak of, as something to know', () => {
  const traced = bookOf({
    ingredients: [ingredient('choc', { mayContain: ['hazelnut', 'milk'] })],
    recipes: [recipe('r', [line('choc', 100)])],
    pieces: [piece('p', rolled('r'))],
    boxes: [box('dark', ['p'])],
  });
  const [found, ...others] = findingsOfOrder(
    order('Ada', { dark: 1 }, '2026-12-05', { exclusions: ['tree-nuts', 'sesame'] }),
    traced,
    TODAY,
  );
  expect(others).toEqual([]);
  expect(found).toMatchObject({ code: 'exclusion-traces', severity: 'know' });
  expect(found?.message).toBe(
    'Ada wants no tree nuts; dark has none in it, but may contain hazelnuts, its suppliers say.',
  );
});

describe('an edit', () => {
  const good = order('Ada', { clear: 1 }, '2026-12-05');

  it('may not hand over in the past, but may leave an old day alone', () => {
    const late = order('Ada', { clear: 1 }, '2026-11-24');
    expect(wrongInOrderEdit(late, null, book, TODAY)).toEqual([
      { path: ['handOver', 'on'], message: 'Tuesday 24 November has passed: choose Wednesday 25 November or later' },
    ]);
    expect(wrongInOrderEdit(late, late, book, TODAY)).toEqual([]);
    expect(wrongInOrderEdit({ ...late, state: 'handed over' }, null, book, TODAY)).toEqual([]);
  });

  it('may not sell an empty box or one that is not there', () => {
    expect(wrongInOrderEdit(order('Ada', { empty: 1 }, '2026-12-05'), good, book, TODAY)[0]?.path).toEqual([
      'lines',
      0,
      'boxId',
    ]);
    expect(wrongInOrder(good, () => false)).toEqual([
      { path: ['lines', 0, 'boxId'], message: 'there is no box "clear"' },
    ]);
  });

  it.each([
    ['no customer', { customer: { name: '  ' } }, 'customer.name'],
    ['no boxes', { lines: [] }, 'lines'],
    ['half a box', { lines: [{ boxId: 'clear', count: 0.5 }] }, 'lines.0.count'],
    ['a thousand boxes', { lines: [{ boxId: 'clear', count: 1000 }] }, 'lines.0.count'],
    [
      'the same box twice',
      {
        lines: [
          { boxId: 'clear', count: 1 },
          { boxId: 'clear', count: 2 },
        ],
      },
      'lines',
    ],
    ['no day', { handOver: { on: '2026-02-30', way: 'stall' } }, 'handOver.on'],
    ['an unknown exclusion', { exclusions: ['dust'] }, 'exclusions.0'],
    ['a negative deposit', { depositMinor: -100 }, 'depositMinor'],
  ])('with %s is refused at its place', (_name, wrong, path) => {
    const { id: _id, ...draft } = good;
    expect(
      orderDraftSchema.safeParse({ ...draft, ...wrong }).error?.issues.map((issue) => issue.path.join('.')),
    ).toEqual([path]);
  });
});

it('says that a hand-over has passed, and that a box is empty or gone', () => {
  const codes = (lines: Record<string, number>, on: string) =>
    findingsOfOrder(order('Ada', lines, on), book, TODAY).map((each) => each.code);
  expect(codes({ clear: 1 }, '2026-11-20')).toEqual(['hand-over-passed']);
  expect(codes({ empty: 1, lost: 1 }, '2026-12-05')).toEqual(['order-box-empty', 'order-box-empty']);
});

it('asks about two orders that may be one, entered twice', () => {
  const named = (id: string, name: string, count: number, more: Parameters<typeof order>[3] = {}) =>
    order(id, { mixed: count }, '2026-12-05', { customer: { name }, ...more });
  const ada = named('a', 'Ada Quill', 2);
  expect(doubleFindings([ada, named('b', 'A. Quill', 2)]).map(({ message }) => message)).toEqual([
    'A. Quill and Ada Quill have the same boxes for Saturday 5 December: are they one order, entered twice?',
  ]);
  const others = [
    named('b', 'Bo Quill', 2),
    named('c', 'A. Quill', 3),
    named('d', 'Al Quill', 2, { state: 'cancelled' }),
  ];
  expect(doubleFindings([ada, ...others])).toEqual([]);
});
