/** A word of the trade or of this program, in one plain sentence. */
export interface Term {
  readonly word: string;
  readonly says: string;
  /** Names of fields that mean this. */
  readonly fields?: readonly string[];
}

/** Every word that may need a sentence: the program and docs/words.md show these, and no others. */
// prettier-ignore
export const terms: readonly Term[] = [
  { word: 'Base batch', says: 'The batch as the recipe is written, before it is made larger or smaller.', fields: ['Pans a base batch'] },
  { word: 'Batch sizes', says: 'How large a batch may be, as multiples of the base batch: 1 alone means that it must never be doubled.', fields: ['Allowed sizes'] },
  { word: 'Bench day', says: 'A day on which you work, with its hours; the plan puts work on bench days alone.' },
  { word: 'Carries', says: 'What a piece brings with it into a box: allergens, alcohol, flavours that wander.' },
  { word: 'Coating of the whole', says: 'How much of a finished dipped piece is coating, by weight; 20 to 40 % is common.', fields: ['Coating of the whole'] },
  { word: 'Crumbs', says: 'What a broken slab loses as crumbs too small to sell, as a share of its weight.', fields: ['Crumbs'] },
  { word: 'Deposit', says: 'On an order: money paid in advance. On a piped piece: what one squeeze weighs.', fields: ['Deposit', 'Deposit asked for'] },
  { word: 'Edition', says: 'A box as it was sold once: an order keeps it, even when the box is changed later.' },
  { word: 'Exclusion', says: 'What a customer must not get: an allergen, alcohol, an ingredient or a piece. It is never dropped without your word.', fields: ['Must not contain'] },
  { word: 'Flavours that wander', says: 'Mint, smoke, citrus oil, spirits: their smell moves into whatever lies beside them, so they are kept apart.', fields: ['Flavours that wander'] },
  { word: 'Getting ready', says: 'Minutes that each recipe takes on each day before anything is made: fetching, weighing, clearing away.', fields: ['Getting ready for a recipe'] },
  { word: 'Hands', says: 'Minutes in which you are busy yourself, as against minutes in which something rests, cools or bakes alone.', fields: ['Hands', 'Hands, each', 'Hands, an hour', 'An hour'] },
  { word: 'Is a', says: 'How hard a number is: a limit must not be passed, a target is aimed at, a window is a span, a minimum is at least that, a habit can bend, a guess can be wrong.', fields: ['Is a'] },
  { word: 'Kerf', says: 'What the knife or the wire takes away at each cut, as a width.', fields: ['Kerf'] },
  { word: 'Left over', says: 'What is made and no order needs, since batches come in whole sizes.' },
  { word: 'Left-overs that are sold', says: 'Of the pieces that are left over when the orders are packed, the percentage that finds a buyer all the same. The plan minds the others more; it never makes pieces that nobody has ordered.', fields: ['Left-overs that are sold'] },
  { word: 'Life left when handed over', says: 'Days for which a piece must still be good on the day of the hand-over; nothing is made so early that it would have less.', fields: ['Life left when handed over'] },
  { word: 'Made before hand-over', says: 'Days between the last making day of a piece and the hand-over: time to pack and label.', fields: ['Made before hand-over'] },
  { word: 'Pin', says: 'A batch that you have fixed to its day: planning again does not move it.', fields: ['Pin'] },
  { word: 'Plan for', says: 'How long a rest may take when it goes slowly; the plan reckons with this, the card shows both.', fields: ['Plan for'] },
  { word: 'Pool', says: 'Melted chocolate that must stand there to dip or fill in, beyond what is used up; the rest goes back into stock.' },
  { word: 'Promise', says: 'Whether an order can be had for its day: answered by a whole plan with it, not by a guess.' },
  { word: 'Rests', says: 'Nights that something must lie before it goes on: a ganache that sets, a praline that is capped.', fields: ['Rests'] },
  { word: 'Rules of a label', says: 'The place whose law a label is drafted by. A help, never a promise: your local authority decides.', fields: ['Rules of', 'Labels by the rules of'] },
  { word: 'Scale step', says: 'The smallest weight that your scale shows; every amount to weigh is rounded to it, and the error is shown.', fields: ['Scale step'] },
  { word: 'Stage', says: 'One part of finishing a moulded piece: shell, fill, cap, knock out. After each it may set over night in its mould, which is then taken.', fields: ['Stage'] },
  { word: 'Stand-in', says: 'A piece that takes the place of another in a box, when an order rules that one out.' },
  { word: 'Sure that it is enough', says: 'How likely the pieces made must cover the orders, when what batches give varies: the surer, the more is made to spare.', fields: ['Sure that it is enough'] },
  { word: 'Takes longer for more', says: 'Whether a step of a larger batch needs more minutes: cooking does, waiting for a timer does not.', fields: ['Takes longer for more'] },
  { word: 'Traces', says: 'What the supplier says an ingredient may contain without being made of it.' },
  { word: 'Travels', says: 'How far a piece can go: by post, kept cool, or only by hand.', fields: ['Travels'] },
  { word: 'Trim, each edge', says: 'What is cut off each side of a slab before it is cut into pieces.', fields: ['Trim, each edge'] },
  { word: 'Two per cent group', says: 'A US label may put everything of 2 % or less at the end of the list, in any order, behind “contains 2 % or less of”.', fields: ['Group ingredients of 2 % or less at the end of the list'] },
  { word: 'Water activity', says: 'How much of the water in a piece is free for microbes, from 0 to 1; below 0.88 it is not held to time and temperature by table B of the Food Code. Estimated here, never measured.' },
  { word: 'Way out', says: 'One way to decide a finding, as a button that does what it says.' },
];

const byField = new Map(terms.flatMap((term) => (term.fields ?? []).map((field) => [field, term] as const)));

/** What a field of a name means; null for one that explains itself. @example termOfField('Kerf')?.word // 'Kerf' */
export const termOfField = (label: string): Term | null => byField.get(label) ?? null;
