import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { order, TODAY } from '../../testing/kitchen.js';
import { guessMapping, ordersCsv, planImport, readCsv, refusedCsv, type ImportSettings } from '../format/index.js';
import { readDay } from './day.js';
import { readQuickOrder } from './quick.js';
import { readWay } from './ways.js';
import { shelfOf } from './shelf.js';
import { wishesIn, wishList } from './wishes.js';

const shelf = shelfOf(
  [
    { id: 'sampler', name: 'Pinwheel sampler' },
    { id: 'table', name: 'Table box' },
    { id: 'night', name: 'Longest Night box' },
    { id: 'bag', name: 'Bag of toffee shards' },
  ],
  {
    ingredients: [
      { id: 'plum-brandy', name: 'Plum brandy', declaration: { labelName: 'plum brandy', french: '', parts: [] } },
    ],
  },
);
const names = {
  ingredients: new Map([['plum-brandy', { name: 'Plum brandy' }]]),
  pieces: new Map<string, { piece: { name: string } }>(),
};

describe('a day', () => {
  it.each([
    ['2026-12-20', '2026-12-20'],
    ['20 Dec', '2026-12-20'],
    ['December 20th', '2026-12-20'],
    ['20/12', '2026-12-20'],
    ['12/20/2026', '2026-12-20'],
    ['5 Jan', '2027-01-05'],
    ['tomorrow', '2026-11-26'],
    ['Sat 12 Dec', '2026-12-12'],
    ['12 Dec (Saturday)', '2026-12-12'],
    ['Sat 5/12', '2026-12-05'],
    ['first Saturday of December', '2026-12-05'],
    ['the day after tomorrow', '2026-11-27'],
    ['saturday week', '2026-12-05'],
    ['thurs', '2026-11-26'],
    ['christmas eve', '2026-12-24'],
    ['20. Dec', '2026-12-20'],
    ['20.12.26', '2026-12-20'],
  ])('written as %s is read', (text, day) => {
    expect(readDay(text, TODAY)).toMatchObject({ day });
  });

  it('that may be two is asked about, unless somebody said which number is the month', () => {
    expect(readDay('5/12', TODAY)).toMatchObject({ day: null, choices: ['2026-12-05', '2027-05-12'] });
    expect(readDay('5/12', TODAY, 'day first').day).toBe('2026-12-05');
    expect(readDay('5/12', TODAY, 'month first').day).toBe('2027-05-12');
  });

  it.each([
    ['next friday', 2],
    ['7/7', 1],
    ['20 Nov', 1],
    ['Sunday 12 Dec', 2],
    ['before 20 Dec', 2],
    ['10 or 11 Dec', 2],
  ])('written as %s is asked about', (text, choices) => {
    const read = readDay(text, TODAY);
    expect([read.day, read.choices.length]).toEqual([null, choices]);
  });

  it.each(['2026-02-30', '31/2', '32 Dec', '30 Feb', 'soon enough', 'in December', 'christmas', '20 Dec perhaps', ''])(
    'that is %s is none',
    (text) => {
      expect(readDay(text, TODAY)).toEqual({ day: null, choices: [] });
    },
  );

  it('is the day that was written, in every way of writing it', () => {
    const months = 'January February March April May June July August September October November December'.split(' ');
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 190 }), fc.nat(7), (later, way) => {
        const day = new Date(Date.parse(`${TODAY}T00:00:00Z`) + later * 86_400_000).toISOString().slice(0, 10);
        const [year = '', month = '', date = ''] = day.split('-');
        const name = months[Number(month) - 1] ?? '';
        const written = [
          day,
          `${String(Number(date))} ${name}`,
          `${name} ${String(Number(date))}`,
          `${name.slice(0, 3)} ${String(Number(date))}, ${year}`,
          `${String(Number(date))}th of ${name} ${year}`,
          `${date}.${month}.${year}`,
          `${String(Number(date))}-${name.slice(0, 3)}-${year}`,
          `on the ${String(Number(date))} ${name.toLowerCase()}`,
        ][way];
        expect(readDay(written ?? '', TODAY, 'day first')).toEqual({ day, choices: [day] });
      }),
    );
  });
});

describe('words that rule something out', () => {
  const codes = (text: string) => wishList(text, shelf).codes;

  it('are understood in a list as in a sentence', () => {
    expect(codes('Nuts; dairy, peanuts')).toEqual(['nuts', 'milk', 'peanut']);
    expect(codes('milk free | vegan')).toEqual(['milk', 'vegan']);
    expect(codes('no tree nuts and no sesame')).toEqual(['tree-nuts', 'sesame']);
    expect(codes('Plum brandy')).toEqual(['ingredient:plum-brandy']);
    expect(codes('any-alcohol; ingredient:plum-brandy')).toEqual(['any-alcohol', 'ingredient:plum-brandy']);
    expect(codes('none')).toEqual([]);
    expect(codes('no known allergies')).toEqual([]);
  });

  it('are given back where they are not understood', () => {
    expect(wishList('nuts; raisins', shelf)).toEqual({ codes: ['nuts'], unknown: ['raisins'] });
    expect(wishList('halal', shelf)).toEqual({ codes: [], unknown: ['halal'] });
  });

  it('are found in any text and taken out of it', () => {
    expect(wishesIn('Jo Vale (nut allergy)', shelf)).toEqual({ codes: ['nuts'], unknown: [], rest: 'Jo Vale' });
    expect(wishesIn('Pinwheel sampler, no egg', shelf)).toEqual({
      codes: ['egg'],
      unknown: [],
      rest: 'Pinwheel sampler',
    });
    expect(wishesIn('ring the bell', shelf)).toEqual({ codes: [], unknown: [], rest: 'ring the bell' });
  });
});

it('knows the ways of a hand-over', () => {
  expect(['porch at six', 'First Frost stall', 'by post'].map(readWay)).toEqual(['pick-up', 'stall', 'courier']);
  expect(readWay('by owl')).toBeNull();
  expect(readWay('post or pick-up')).toBeNull();
});

describe('an order in one line', () => {
  it('is read whole', () => {
    expect(
      readQuickOrder(
        'Odile Marchetti: 3 table box + 1 sampler, pick-up 20 Dec at the porch, no sesame or nuts',
        shelf,
        TODAY,
      ),
    ).toMatchObject({
      customer: 'Odile Marchetti',
      lines: [
        { boxId: 'table', count: 3, edition: null, without: [] },
        { boxId: 'sampler', count: 1, edition: null, without: [] },
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
    expect(readQuickOrder('two bags of toffee shards', shelf, TODAY)).toMatchObject({
      lines: [{ boxId: 'bag', count: 2 }],
      missing: ['the customer', 'the day', 'pick-up, stall or courier'],
    });
    expect(readQuickOrder('', shelf, TODAY).missing).toHaveLength(4);
  });

  it('offers choices for a box and a day that may be several, and takes the answers', () => {
    const text = 'for Tam, 2 large box, courier 5/12';
    const asked = readQuickOrder(text, shelf, TODAY);
    expect(asked.questions.map(({ key, choices }) => [key, choices.map(({ value }) => value)])).toEqual([
      ['day 5/12', ['2026-12-05', '2027-05-12']],
      ['box 2 large box', ['sampler', 'table', 'night', 'bag']],
    ]);
    const answers = new Map([
      ['box 2 large box', 'night'],
      ['day 5/12', '2026-12-05'],
    ]);
    expect(readQuickOrder(text, shelf, TODAY, answers)).toMatchObject({
      customer: 'Tam',
      lines: [{ boxId: 'night', count: 2 }],
      on: '2026-12-05',
      questions: [],
      missing: [],
    });
  });

  it('leaves nothing out in silence', () => {
    const read = readQuickOrder('Tam, 1 table box, stall 5 Dec, no raisins, a ribbon please', shelf, TODAY);
    expect(read.questions.map(({ text }) => text)).toEqual([
      '“no raisins” names nothing that is in your pantry.',
      '“a ribbon” is not understood.',
    ]);
    expect(read.open).toEqual(['no raisins', 'a ribbon']);
    expect(read.parts.filter(({ reading }) => reading === null).map(({ text }) => text)).toEqual(['a', 'ribbon']);
    const answers = new Map(read.questions.map(({ key }) => [key, 'note']));
    expect(
      readQuickOrder('Tam, 1 table box, stall 5 Dec, no raisins, a ribbon please', shelf, TODAY, answers),
    ).toMatchObject({ questions: [], notes: 'no raisins; a ribbon' });
  });
});

const settings = (columns: readonly string[], dayOrder: ImportSettings['dayOrder'] = 'day first'): ImportSettings => ({
  mapping: guessMapping(columns),
  shelf,
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
        '“raisins” is nothing that can be ruled out; “many” is no number of boxes; “31/02” is no day; “by owl” is neither pick-up, stall nor courier',
      ],
      [7, 'refused', 'no customer'],
    ]);
  });

  it('gives the refused rows back to mend, and takes them mended', () => {
    const plan = imported(messy);
    const back = refusedCsv(plan.table, plan.report);
    expect(back.split('\r\n')[0]).toBe('Order no,Customer,Box,Qty,Date,How,Allergies,Deposit,why it was refused');
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

  it('refuses a whole order for one row that cannot be taken, and no other', () => {
    const plan = imported(
      'ref,customer,box,count,day\nA,Ann,Table box,1,20/12/2026\nA,Ann,Moon box,1,20/12/2026\nB,Bo,Table box,1,20/12/2026',
    );
    expect(plan.create.map(({ customer }) => customer.name)).toEqual(['Bo']);
    expect(plan.report.map(({ fate, why }) => [fate, why])).toEqual([
      ['refused', 'row 3 of the same order cannot be taken'],
      ['refused', 'there is no one box “Moon box”'],
      ['new', ''],
    ]);
  });

  it.each([
    ['two customers', 'A,Ann,Table box,1,20/12/2026,\nA,Bo,Sampler,1,20/12/2026,', 'its rows have different customers'],
    ['two days', 'A,Ann,Table box,1,20/12/2026,\nA,Ann,Sampler,1,21/12/2026,', 'its rows have different days'],
    ['a quote that is never closed', 'A,"Ann,Table box,1,20/12/2026,', 'a quote is opened and never closed'],
    ['1,234 as an amount', 'A,Ann,Table box,1,20/12/2026,"1,234"', 'is no amount'],
    ['$1,200 as an amount', 'A,Ann,Table box,1,20/12/2026,"$1,200"', 'is no amount'],
    ['$1,200 without quotes', 'A,Ann,Table box,1,20/12/2026,$1,200', 'it has 7 cells for 6 columns'],
    ['(5.00) as an amount', 'A,Ann,Table box,1,20/12/2026,(5.00)', 'is no amount'],
    ['1.234 as an amount', 'A,Ann,Table box,1,20/12/2026,1.234', 'is no amount'],
    ['a name as long as a book', `A,${'x'.repeat(5000)},Table box,1,20/12/2026,`, 'more than 4000 characters'],
  ])('with %s has its rows refused with a reason, and the row after it taken', (_name, rows, why) => {
    const plan = imported(`ref,customer,box,count,day,deposit\n${rows}\nZ,Zoe,Table box,1,20/12/2026,5`);
    const refused = plan.report.filter(({ fate }) => fate === 'refused');
    expect(refused.length).toBe(rows.split('\n').length);
    for (const each of refused) expect(each.why).toContain(why);
    expect(plan.create.map(({ customer }) => customer.name)).toEqual(['Zoe']);
    const { report } = imported(refusedCsv(plan.table, plan.report));
    expect(report).toHaveLength(refused.length);
  });

  it('has columns and customers of any name, also those that every object has', () => {
    for (const name of ['constructor', 'toString', '__proto__', 'hasOwnProperty']) {
      const table = readCsv(`customer,box,day,${name}\n${name},Table box,20/12/2026,${name}`);
      for (const mapping of [
        guessMapping(table.columns),
        { customer: name, box: 'box', day: 'day', notes: 'valueOf' },
      ]) {
        const { create } = planImport(table, [], { ...settings(table.columns), mapping });
        expect(create.map(({ customer }) => customer.name)).toEqual([name]);
      }
    }
  });

  it('that is larger than anybody’s is refused as a whole, in words', () => {
    expect(readCsv(`a${',b'.repeat(200)}\n1`).trouble).toBe('The file has 201 columns; 100 can be read.');
    expect(readCsv(`a\n${'1\n'.repeat(20_001)}`).trouble).toContain('20001 rows');
    expect(readCsv('').trouble).toBeNull();
  });

  it('loses no row, whatever quotes stand in it', () => {
    const anyCell = fc.stringMatching(/^[a-z" ]{0,8}$/);
    fc.assert(
      fc.property(
        fc.array(fc.array(anyCell, { minLength: 3, maxLength: 3 }), { minLength: 1, maxLength: 8 }),
        (rows) => {
          const marked = rows.map((cells, at) => [`row${String(at)}`, ...cells].join(','));
          const { rows: read } = readCsv(['ref,customer,box,notes', ...marked].join('\n'));
          const all = read.map((cells) => Object.values(cells).join(',')).join('\n');
          for (const at of rows.keys()) expect(all).toContain(`row${String(at)}`);
        },
      ),
    );
  });

  it('leaves a double alone: the same customer, day and boxes under another reference', () => {
    const first = imported(messy);
    const double = imported(messy.replaceAll('A2', 'B9'), asStored(first));
    expect(double.report.find(({ row }) => row === 4)).toMatchObject({ fate: 'double' });
    expect(double.create).toEqual([]);
  });

  it('that was written here is known again, and is safe in a spreadsheet', () => {
    const stored = [
      {
        ...order('x', { table: 2 }, '2026-12-05', {
          customer: { name: '=1+1' },
          exclusions: ['nuts', 'ingredient:plum-brandy'],
          lines: [
            { boxId: 'table', count: 2, without: ['egg'] },
            { boxId: 'table', count: 1 },
          ],
        }),
        version: 3,
      },
    ];
    const text = ordersCsv(stored, (id) => shelf.boxes.find((box) => box.id === id)?.name ?? id, names, 'USD');
    expect(text).toContain("'=1+1");
    expect(imported(text, stored).report.map(({ fate }) => fate)).toEqual(['same', 'same']);
  });

  it('rules out for the whole order what any of its rows and cells rules out', () => {
    const plan = imported(`Order no;Customer;Box;Qty;Date;How;Allergies;Comment;only this box
B1;Jo Vale;Table box;1;5 Dec;stall;;;
B1;Jo Vale;Pinwheel sampler;1;5 Dec;stall;sesame;;egg
B2;Kit (nut allergy);Table box no soy;1;5 Dec;stall;;please no coconut;
B3;Flo;Table box;1;5 Dec;stall;halal;;`);
    expect(plan.create).toMatchObject([
      {
        exclusions: ['sesame'],
        lines: [
          { boxId: 'table', without: [] },
          { boxId: 'sampler', without: ['egg'] },
        ],
      },
      { customer: { name: 'Kit' }, exclusions: ['nuts', 'coconut'], lines: [{ without: ['soy'] }] },
    ]);
    expect(plan.report.at(-1)).toMatchObject({ fate: 'refused', why: '“halal” is nothing that can be ruled out' });
  });

  it('never loses an exclusion, in whichever row and column it stands', () => {
    const words = fc.constantFrom(
      ['no nuts', 'nuts'],
      ['sesame free', 'sesame'],
      ['vegan', 'vegan'],
      ['no egg', 'egg'],
    );
    const columns = ['Customer', 'Box', 'Allergies', 'Comment', 'only this box'];
    fc.assert(
      fc.property(fc.array(fc.tuple(words, fc.nat(4), fc.nat(2)), { minLength: 1, maxLength: 4 }), (wishes) => {
        const rows = [0, 1, 2].map(() => ['Jo', 'Table box', '', '', '']);
        for (const [[text = ''], column, row] of wishes) {
          const cells = rows[row];
          if (cells) cells[column] = [cells[column], text].filter(Boolean).join(', ');
        }
        const text = [['ref', 'Date', 'How', ...columns], ...rows.map((cells) => ['R', '5 Dec', 'stall', ...cells])];
        const [made] = imported(text.map((cells) => cells.join(';')).join('\n')).create;
        const codes = new Set([...(made?.exclusions ?? []), ...(made?.lines.flatMap(({ without }) => without) ?? [])]);
        for (const [[, code]] of wishes) expect(codes).toContain(code);
      }),
    );
  });

  it('refuses rows of one order that say different things, and amounts that may be read in two ways', () => {
    const plan = imported(`Order no;Customer;Box;Qty;Date;How;Deposit
C1;Jo;Table box;1;5 Dec;stall;
C1;Bo;Table box;1;6 Dec;stall;
C2;Jo;Table box;1;5 Dec;stall;1,234
C3;Jo;Table box;1;5 Dec;stall;(5.00)
C4;Jo;Table box;1;5 Dec;stall;$12.5`);
    expect(plan.report.map(({ fate, why }) => [fate, why])).toEqual([
      ['refused', 'its rows have different customers; its rows have different days'],
      ['refused', 'its rows have different customers; its rows have different days'],
      ['refused', '“1,234” is no amount: write it as 12.50'],
      ['refused', '“(5.00)” is no amount: write it as 12.50'],
      ['new', ''],
    ]);
    expect(plan.create[0]?.depositMinor).toBe(1250);
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
