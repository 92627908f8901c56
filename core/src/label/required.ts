import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { openWayOut, type WayOut } from '../finding/index.js';
import { misnamedChocolate, type IngredientFiled } from '../ingredient/index.js';
import { sayDay, sayList, type Day } from '../quantity/index.js';
import type { ListEntry } from './ingredients.js';
import type { LabelDates } from './dates.js';

/** `check`: only the maker, or the local authority, can say whether it is right. */
export const fieldStates = ['there', 'missing', 'check'] as const;

/** Something that a label must, or may have to, say. */
export interface RequiredField {
  readonly key: string;
  readonly what: string;
  readonly state: (typeof fieldStates)[number];
  /** What stands there, or what to do. */
  readonly text: string;
  /** Where the rule stands, or that it is common practice. */
  readonly source: string;
  /** Where it is entered; null where there is nothing to enter. */
  readonly wayOut: WayOut | null;
  /** Whether no label is printed as long as it is missing. */
  readonly stops: boolean;
}

/** What the required fields are worked out from. */
export interface RequiredFacts {
  readonly facts: BoxFacts;
  readonly book: Book;
  readonly list: readonly ListEntry[];
  readonly used: readonly IngredientFiled[];
  readonly dates: LabelDates | null;
  readonly today: Day;
}

export const field = (
  key: string,
  what: string,
  state: RequiredField['state'],
  text: string,
  source: string,
  wayOut: WayOut | null = null,
): RequiredField => ({ key, what, state, text, source, wayOut, stops: false });

/** A field without which no label is printed. */
export const neededField = (...of: Parameters<typeof field>): RequiredField => ({ ...field(...of), stops: true });

const settings: WayOut = openWayOut({ noun: 'kitchen', id: 'kitchen', name: 'Settings' });

function nameField({ facts, used }: RequiredFacts): RequiredField {
  const { box } = facts;
  const wayOut = openWayOut({ noun: 'box', id: box.id, name: box.name });
  const called = misnamedChocolate([box.name, box.foodName], used);
  const source = 'Name of the food; what may be called chocolate: 21 CFR 163, Directive 2000/36/EC (from memory)';
  if (called !== undefined)
    return field(
      'name',
      'Name of the food',
      'missing',
      `“${called}” says chocolate, but all of it is compound coating.`,
      source,
      wayOut,
    );
  return field('name', 'Name of the food', 'there', box.foodName, source, wayOut);
}

/** The made-on day is planned as long as it has not come, or nothing is noted as made on it. */
function datesField({ facts, dates, today }: RequiredFacts): RequiredField {
  const source = 'Worked out from the shortest life in the box';
  if (!dates) return field('dates', 'Dates', 'missing', 'This label is for no hand-over, so it has no dates.', source);
  const { madeOn, bestBefore } = dates;
  const isPlanned = madeOn > today || dates.planned === true;
  const basis = facts.keeps
    ? `${facts.keeps.pieceName} keeps ${String(facts.keeps.days)} days`
    : 'nothing in it has a life';
  const made = !isPlanned
    ? `Made ${sayDay(madeOn)}`
    : madeOn > today
      ? `To be made ${sayDay(madeOn)} (planned)`
      : `Planned for ${sayDay(madeOn)}, not noted as made yet`;
  return field(
    'dates',
    'Dates',
    isPlanned ? 'check' : 'there',
    `${made}, best before ${sayDay(bestBefore)}: ${basis}.`,
    source,
  );
}

/** What asks for a word of caution. */
function cautionFields({ facts, used }: RequiredFacts): RequiredField[] {
  const withTrait = (trait: IngredientFiled['traits'][number]) =>
    used.filter(({ traits }) => traits.includes(trait)).map(({ name }) => name.toLowerCase());
  const rawEgg = withTrait('raw egg');
  const nuts = withTrait('nut');
  const fields: RequiredField[] = [];
  if (facts.contains.includes('alcohol'))
    fields.push(
      field(
        'alcohol',
        'Alcohol',
        'check',
        'It says that it contains alcohol. Above 0.5 % by volume many places restrict it: ask your authority.',
        'FD&C Act s. 402(d)(1)(B) and state law (from memory)',
      ),
    );
  if (rawEgg.length > 0)
    fields.push(
      field(
        'raw-egg',
        'Raw egg',
        'check',
        `It holds raw egg (${sayList(rawEgg)}): not for pregnant, infant, old or ill people, unless pasteurised.`,
        'Common practice, no source',
      ),
    );
  if (facts.contains.includes('honey'))
    fields.push(
      field('honey', 'Honey', 'there', 'The label says that it is not for infants.', 'Common practice, no source'),
    );
  if (nuts.length > 0)
    fields.push(
      field(
        'choking',
        'Choking',
        'check',
        `Whole nuts (${sayList(nuts)}) can choke small children: consider a word on the label.`,
        'Common practice, no source',
      ),
    );
  return fields;
}

/** What every school asks for. */
export function commonFields(all: RequiredFacts): RequiredField[] {
  const { facts, book } = all;
  const { kitchen } = book;
  const { label } = kitchen;
  const isThere = (text: string) => (text === '' ? 'missing' : 'there');
  return [
    nameField(all),
    field(
      'maker',
      'Maker',
      isThere(kitchen.makerName),
      kitchen.makerName || 'Give your name.',
      'Every school',
      settings,
    ),
    field(
      'address',
      'Address',
      isThere(kitchen.address),
      kitchen.address || 'Give your address.',
      'Every school',
      settings,
    ),
    field(
      'statement',
      'Home-kitchen statement',
      kitchen.homeKitchenStatement === '' ? 'missing' : kitchen.statementChecked ? 'there' : 'check',
      kitchen.homeKitchenStatement === ''
        ? 'Most places want one.'
        : kitchen.statementChecked
          ? 'You have checked it against your local code.'
          : 'A placeholder: check it against your local code.',
      'Local code',
      settings,
    ),
    field(
      'permit',
      'Permit or registration',
      label.permit === '' ? 'check' : 'there',
      label.permit || 'Where you must be registered, give the number under Design.',
      'Local code',
    ),
    datesField(all),
    field(
      'storage',
      'How to keep it',
      isThere(label.storage),
      label.storage || 'Say how it is to be kept, under Design.',
      'Reg. (EU) 1169/2011 art. 25; common practice',
    ),
    field(
      'lot',
      'Lot',
      all.dates ? 'there' : 'missing',
      all.dates ? 'Each label has the lot of its hand-over.' : 'A label without a hand-over has none.',
      'Directive 2011/91/EU; common practice',
    ),
    field(
      'net',
      'Net quantity',
      facts.weightGrams > 0 ? 'there' : 'missing',
      facts.weightGrams > 0 ? 'Nominal, from the pieces: weigh some boxes.' : 'Its weight is not known.',
      'Every school',
    ),
    ...cautionFields(all),
  ];
}
