import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { order, TODAY } from '../../testing/kitchen.js';
import {
  guessMapping,
  ordersCsv,
  planImport,
  readCsv,
  readDay,
  readExclusion,
  readQuickOrder,
  readWay,
  refusedCsv,
  type ImportSettings,
} from './index.js';

const boxes = [
  { id: 'sampler', name: 'Pinwheel sampler' },
  { id: 'table', name: 'Table box' },
  { id: 'night', name: 'Longest Night box' },
  { id: 'bag', name: 'Bag of toffee shards' },
];

describe('a day', () => {
  it.each([
    ['2026-12-20', '2026-12-20'],
    ['20 Dec', '2026-12-20'],
    ['December 20th', '2026-12-20'],
    ['20/12', '2026-12-20'],
    ['12/20/2026', '2026-12-20'],
    ['5 Jan', '2027-01-05'],
    ['tomorrow', '2026-11-26'],
    ['next friday', '2026-12-04'],
    ['7/7', '2027-07-07'],
  ])('written as %s is read', (text, day) => {
    expect(readDay(text, TODAY)).toMatchObject({ day });
  });

  it('that may be two is asked about, unless somebody said which number is the month', () => {
    expect(readDay('5/12', TODAY)).toMatchObject({ day: null, choices: ['2026-12-05', '2027-05-12'] });
    expect(readDay('5/12', TODAY, 'day first').day).toBe('2026-12-05');
    expect(readDay('5/12', TODAY, 'month first').day).toBe('2027-05-12');
  });

  it('that is none is none', () => {
    expect(readDay('2026-02-30', TODAY)).toMatchObject({ day: null, choices: [] });
    expect(readDay('31/2', TODAY).day).toBeNull();
    expect(readDay('soon enough', TODAY).day).toBeNull();
  });
});

it('knows the words of customers', () => {
  expect(['Nuts', 'dairy', 'peanuts', 'tree nut', 'Sesame', 'soya'].map(readExclusion)).toEqual([
    'nuts',
    'milk',
    'peanut',
    'tree-nuts',
    'sesame',
    'soy',
  ]);
  expect(readExclusion('raisins')).toBeNull();
  expect(['porch at six', 'First Frost stall', 'by post'].map((text) => readWay(text)?.way)).toEqual([
    'pick-up',
    'stall',
    'courier',
  ]);
});

describe('an order in one line', () => {
  it('is read whole', () => {
    expect(
      readQuickOrder(
        'Odile Marchetti: 3 table box + 1 sampler, pick-up 20 Dec at the porch, no sesame or nuts',
        boxes,
        TODAY,
      ),
    ).toEqual({
      customer: 'Odile Marchetti',
      lines: [
        { boxId: 'table', count: 3, edition: null },
        { boxId: 'sampler', count: 1, edition: null },
      ],
      on: '2026-12-20',
      way: 'pick-up',
      place: 'porch',
      exclusions: ['sesame', 'nuts'],
      questions: [],
      missing: [],
    });
  });

  it('says what it still lacks', () => {
    expect(readQuickOrder('two bags of toffee shards', boxes, TODAY)).toMatchObject({
      lines: [{ boxId: 'bag', count: 2 }],
      missing: ['the customer', 'the day', 'pick-up, stall or courier'],
    });
    expect(readQuickOrder('', boxes, TODAY).missing).toHaveLength(4);
  });

  it('offers choices for a box and a day that may be several, and takes the answers', () => {
    const text = 'for Tam, 2 large box, courier 5/12';
    const asked = readQuickOrder(text, boxes, TODAY);
    expect(asked.questions.map(({ key, choices }) => [key, choices.map(({ value }) => value)])).toEqual([
      ['box large box', ['table', 'night']],
      ['day 5/12', ['2026-12-05', '2027-05-12']],
    ]);
    const answers = new Map([
      ['box large box', 'night'],
      ['day 5/12', '2026-12-05'],
    ]);
    expect(readQuickOrder(text, boxes, TODAY, answers)).toMatchObject({
      customer: 'Tam',
      lines: [{ boxId: 'night', count: 2 }],
      on: '2026-12-05',
      questions: [],
      missing: [],
    });
  });

  it('leaves nothing out in silence', () => {
    const { questions } = readQuickOrder('Tam, 1 table box, stall 5 Dec, no raisins, a ribbon please', boxes, TODAY);
    expect(questions.map(({ text }) => text)).toEqual([
      '“no raisins” is nothing that can be ruled out here.',
      'Which box is “ribbon please”?',
    ]);
  });
});

const settings = (columns: readonly string[], dayOrder: ImportSettings['dayOrder'] = 'day first'): ImportSettings => ({
  mapping: guessMapping(columns),
  boxes,
  today: TODAY,
  dayOrder,
  currency: 'USD',
});
const imported = (text: string, stored: Parameters<typeof planImport>[1] = []) => {
  const table = readCsv(text);
  return { table, ...planImport(table, stored, settings(table.columns)) };
};
const asStored = (plan: ReturnType<typeof imported>) => plan.create.map((each) => ({ ...each, version: 1 }));

const messy = `\uFEFFOrder no;Customer;Box;Qty;Date;How;Allergies;Deposit
A1;"Aldersey; Dorrit";Table box;2;20/12/2026;porch;no sesame;12,50
A1;"Aldersey; Dorrit";Pinwheel sampler;1;20/12/2026;porch;no sesame;12,50
A2;=SUM(A1);longest night box;1;5 Dec;stall;;
A3;Tamsin;Moon box;1;5 Dec;stall;;
A4;Quillon;Table box;many;31/02;by owl;raisins;
A5;;Table box;1;5 Dec;stall;;
`;

describe('a CSV of orders', () => {
  it('is read with the columns that it has, and every bad row is told why', () => {
    const plan = imported(messy);
    expect(plan.create).toMatchObject([
      {
        customer: { name: 'Aldersey; Dorrit' },
        lines: [
          { boxId: 'table', count: 2 },
          { boxId: 'sampler', count: 1 },
        ],
        handOver: { on: '2026-12-20', way: 'pick-up' },
        exclusions: ['sesame'],
        depositMinor: 1250,
      },
      { customer: { name: '=SUM(A1)' }, lines: [{ boxId: 'night', count: 1 }] },
    ]);
    expect(plan.report.map(({ row, fate, why }) => [row, fate, why])).toEqual([
      [2, 'new', ''],
      [3, 'new', ''],
      [4, 'new', ''],
      [5, 'refused', 'there is no one box “Moon box”'],
      [
        6,
        'refused',
        '“many” is no number of boxes; “31/02” is no day; “by owl” is neither pick-up, stall nor courier; “raisins” is nothing that can be ruled out',
      ],
      [7, 'refused', 'no customer'],
    ]);
  });

  it('gives the refused rows back to mend, and takes them mended', () => {
    const plan = imported(messy);
    const back = refusedCsv(plan.table, plan.report);
    expect(back.split('\r\n')[0]).toBe('Order no,Customer,Box,Qty,Date,How,Allergies,Deposit,why');
    const mended = back.replace('Moon box', 'Table box');
    expect(imported(mended, asStored(plan)).create.map(({ customer }) => customer.name)).toEqual(['Tamsin']);
  });

  it('changes nothing when it comes twice, and only what changed when it comes changed', () => {
    const first = imported(messy);
    const again = imported(messy, asStored(first));
    expect([again.create, again.update]).toEqual([[], []]);
    const changed = imported(messy.replace('Table box;2', 'Table box;5'), asStored(first));
    expect(changed.update.map(({ draft }) => draft.lines[0])).toMatchObject([{ boxId: 'table', count: 5 }]);
  });

  it('leaves a double alone: the same customer, day and boxes under another reference', () => {
    const first = imported(messy);
    const double = imported(messy.replaceAll('A2', 'B9'), asStored(first));
    expect(double.report.find(({ row }) => row === 4)).toMatchObject({ fate: 'double' });
    expect(double.create).toEqual([]);
  });

  it('that was written here is known again, and is safe in a spreadsheet', () => {
    const stored = [
      { ...order('x', { table: 2 }, '2026-12-05', { customer: { name: '=1+1' }, exclusions: ['nuts'] }), version: 3 },
    ];
    const text = ordersCsv(stored, (id) => boxes.find((box) => box.id === id)?.name ?? id, 'USD');
    expect(text).toContain("'=1+1");
    expect(imported(text, stored).report.map(({ fate }) => fate)).toEqual(['same']);
  });

  it('never changes anything the second time, whatever is in it', () => {
    const cell = fc.constantFrom(
      'Tam',
      'Odile',
      'Table box',
      'sampler',
      '2',
      '',
      '5 Dec',
      '20/12',
      'stall',
      'nuts',
      '=1',
      'x"y',
      'A1',
    );
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 7, maxLength: 7 }), { maxLength: 12 }), (rows) => {
        const quote = (value: string) => `"${value.replace(/"/g, '""')}"`;
        const text = ['ref,customer,box,count,day,way,exclusions', ...rows.map((row) => row.map(quote).join())].join(
          '\n',
        );
        const first = imported(text);
        const again = imported(text, asStored(first));
        expect([again.create, again.update]).toEqual([[], []]);
        expect(first.report).toHaveLength(first.table.rows.length);
      }),
      { numRuns: 150 },
    );
  });
});
