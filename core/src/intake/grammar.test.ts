import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { TODAY } from '../../testing/kitchen.js';
import { runs } from '../../testing/runs.js';
import { readQuickOrder } from './quick.js';
import { shelfOf } from './shelf.js';

const boxes = [
  { id: 'sampler', name: 'Pinwheel sampler', words: ['pinwheel sampler', 'sampler', 'Pinwheel samplers'] },
  { id: 'table', name: 'Table box', words: ['table box', 'table boxes', 'Table box'] },
  { id: 'mug', name: 'Mug pair', words: ['mug pair', 'Mug pairs'] },
] as const;
const shelf = shelfOf(boxes.map(({ id, name }) => ({ id, name })));
const read = (text: string) => readQuickOrder(text, shelf, TODAY);

/** Numbers as people write them. */
const numbers: readonly (readonly [string, number])[] = [
  ['1', 1],
  ['2', 2],
  ['12', 12],
  ['two', 2],
  ['eleven', 11],
  ['a dozen', 12],
  ['half a dozen', 6],
  ['a half dozen', 6],
  ['two dozen', 24],
  ['1/2 dozen', 6],
  ['2 1/2 dozen', 30],
  ['two and a half dozen', 30],
  ['a dozen and a half', 18],
  ['one and a half dozen', 18],
  ['3 dz', 36],
  ['twenty-five', 25],
  ['a couple of', 2],
];

describe('a number of boxes', () => {
  it.each(numbers)('is read as it is read everywhere: %s', (words, count) => {
    expect(read(`Wren: ${words} table boxes, pick-up 12 Dec`).lines).toMatchObject([{ boxId: 'table', count }]);
  });

  it.each([
    ['x2 sampler x1 table', 'sampler 2, table 1'],
    ['sampler x2 table x1', 'sampler 2, table 1'],
    ['qty 2 sampler, qty 3 table', 'sampler 2, table 3'],
    ['sampler qty 2, table qty: 3', 'sampler 2, table 3'],
    ['sampler (x2), table (3)', 'sampler 2, table 3'],
  ])('stands before or behind what it counts: %s', (text, lines) => {
    const found = read(`Wren, pick-up 12 Dec, ${text}`).lines.map(({ boxId, count }) => `${boxId} ${String(count)}`);
    expect(found.join(', ')).toBe(lines);
  });

  it('is asked about where it is left open', () => {
    const { lines, questions } = read('Wren: 2-3 samplers, pick-up 12 Dec');
    expect(lines).toEqual([]);
    expect(questions.map(({ text }) => text)).toEqual([expect.stringContaining('How many')]);
  });
});

describe('a part of a name', () => {
  it('is no box where it is what somebody is called', () => {
    const counted = (text: string) => read(text).lines.map(({ boxId, count }) => `${boxId} ${String(count)}`);
    expect(counted('Hi Pinwheel Lane, 2 samplers, pick-up 12 Dec, Wren')).toEqual(['sampler 2']);
    expect(counted('Dear Pinwheel, 2 table boxes, pick-up 12 Dec, Wren')).toEqual(['table 2']);
    expect(counted('Sampler, pick-up 12 Dec, Wren')).toEqual(['sampler 1']);
  });
});

describe('a word that is only near to one that is known', () => {
  it('makes no box, but a question with its guess', () => {
    const { lines, questions } = read('Wren: 3 samplers, piad, pick-up 12 Dec');
    expect(lines).toMatchObject([{ boxId: 'sampler', count: 3 }]);
    for (const { text } of questions) expect(text).toMatch(/“piad”/);
    const guess = read('Wren: 4 smaplers, pick-up 12 Dec');
    expect(guess.lines).toEqual([]);
    expect(guess.questions).toMatchObject([
      { text: '“4 smaplers”: did you mean Pinwheel sampler?', choices: [{ value: 'sampler' }, { value: 'no box' }] },
    ]);
    const answers = (value: string) => new Map([[guess.questions[0]?.key ?? '', value]]);
    const yes = readQuickOrder('Wren: 4 smaplers, pick-up 12 Dec', shelf, TODAY, answers('sampler'));
    expect(yes.lines).toMatchObject([{ boxId: 'sampler', count: 4 }]);
    const no = readQuickOrder('Wren: 4 smaplers, pick-up 12 Dec', shelf, TODAY, answers('no box'));
    expect(no.lines).toEqual([]);
    expect(no.questions.length).toBeGreaterThan(0);
  });

  it('makes no month of a surname, and asks where there is no other day', () => {
    expect(read('Odile Marsh: 2 samplers, pick-up 12/12').on).toBe('2026-12-12');
    const { on, questions } = read('Wren: 2 samplers, pick-up 20 Decemer');
    expect(on).toBeNull();
    expect(questions).toMatchObject([{ text: '“20 Decemer”: is that a day?' }]);
    const [asked] = questions;
    const answered = readQuickOrder('Wren: 2 samplers, pick-up 20 Decemer', shelf, TODAY, new Map([[asked?.key ?? '', '2026-12-20']])); // prettier-ignore
    expect(answered.on).toBe('2026-12-20');
  });
});

describe('an order in words that were put together', () => {
  const line = fc.record({
    box: fc.constantFrom(...boxes),
    number: fc.constantFrom(...numbers),
    word: fc.nat({ max: 2 }),
    shape: fc.constantFrom('before', 'x', 'qty'),
  });
  const slip = (text: string, at: number): string => {
    const letters = text.split('');
    const index = at % Math.max(1, letters.length - 1);
    const [one = '', other = ''] = [letters[index], letters[index + 1]];
    if (!/[a-z]/i.test(one) || !/[a-z]/i.test(other)) return text;
    [letters[index], letters[index + 1]] = [other, one];
    return letters.join('');
  };
  const order = fc.record({
    lines: fc.uniqueArray(line, { minLength: 1, maxLength: 3, selector: ({ box }) => box.id }),
    name: fc.constantFrom('Wren', 'Odile Marsh', 'June Paige', 'Mr. Talbot', 'April Vale'),
    day: fc.constantFrom(['12 Dec', '2026-12-12'], ['Sat 12 December', '2026-12-12'], ['2026-12-19', '2026-12-19']),
    without: fc.constantFrom(['', []], ['no nuts', ['nuts']], ['without sesame', ['sesame']], ['dairy free', ['milk']]),
    way: fc.constantFrom('pick-up', 'courier'),
    slips: fc.array(fc.nat({ max: 400 }), { maxLength: 2 }),
  });
  const shaped = ({
    box,
    number: [words, count],
    word,
    shape,
  }: {
    box: (typeof boxes)[number];
    number: readonly [string, number];
    word: number;
    shape: string;
  }) => {
    // prettier-ignore
    const name = box.words[word % box.words.length] ?? box.name;
    if (shape === 'x') return `${name} x ${String(count)}`;
    return shape === 'qty' ? `qty ${String(count)} ${name}` : `${words} ${name}`;
  };

  it('is what was meant, or asked; what is ruled out is never lost', () => {
    fc.assert(
      fc.property(order, ({ lines, name, day: [day, on], without: [rule, codes], way, slips }) => {
        const said = [...lines.map(shaped), `${way} ${day}`, ...(rule === '' ? [] : [rule])].join(', ');
        // A name is written with care, everything else in haste.
        const text = `${name}: ${slips.reduce(slip, said)}`;
        const found = read(text);
        const isAsked = found.questions.length > 0 || found.missing.length > 0;
        const counted = new Map<string, number>();
        for (const { boxId, count } of found.lines) counted.set(boxId, (counted.get(boxId) ?? 0) + count);
        const meant = new Map(lines.map((each) => [each.box.id as string, each.number[1]]));
        const isRight =
          found.customer === name &&
          found.on === on &&
          counted.size === meant.size &&
          [...meant].every(([id, count]) => counted.get(id) === count);
        if (!isAsked) expect([text, isRight]).toEqual([text, true]);
        // No box, no number and no day that nobody meant.
        for (const [id, count] of counted) expect([text, id, meant.get(id)]).toEqual([text, id, count]);
        if (found.on !== null) expect([text, found.on]).toEqual([text, on]);
        const ruledOut = [...found.exclusions, ...found.lines.flatMap((each) => each.without)];
        const isKept = ([...codes] as string[]).every((code) => ruledOut.includes(code));
        if (!isAsked) expect([text, isKept]).toEqual([text, true]);
      }),
      { numRuns: runs(1000, 20_000) },
    );
  });
});
