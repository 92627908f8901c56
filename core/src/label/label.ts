import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { finding, openWayOut, type Finding, type Subject } from '../finding/index.js';
import {
  declarationFindings,
  inLabelOrder,
  misnamedChocolate,
  type Allergen,
  type IngredientFiled,
} from '../ingredient/index.js';
import type { BlockKind } from '../kitchen/index.js';
import type { Day } from '../quantity/index.js';
import { sortBy } from 'es-toolkit';
import { ingredientGrams, ingredientList } from './ingredients.js';
import { sayNutrition } from './nutrition.js';
import type { RequiredField } from './required.js';
import type { LabelDates } from './dates.js';
import type { DisplayPanel, LabelSchool } from './school.js';
import { plain, textOf, type Span } from './span.js';

/** One paragraph of a label. */
export interface LabelBlock {
  readonly kind: BlockKind;
  readonly heading: string;
  readonly text: string;
  /** The text, part by part: what stands out, what it stands for. */
  readonly spans: readonly Span[];
}

/** The words of a label, and what is missing or must be checked. */
export interface Label {
  readonly blocks: readonly LabelBlock[];
  /** The least height of the letters of the net quantity, by the package's display panel, mm. */
  readonly netLetterMm: number;
  /** The least height of all other letters, mm. */
  readonly textLetterMm: number;
  readonly required: readonly RequiredField[];
  readonly findings: readonly Finding[];
}

/** What a label is of, beside the box. */
export interface LabelOf {
  /** Null leaves the dates out. */
  readonly dates: LabelDates | null;
  /** The code of what is packed for one hand-over; null leaves it out. */
  readonly lot?: string | null;
  /** What may come into it from the kitchen itself, beside the traces that suppliers name. */
  readonly fromKitchen?: readonly Allergen[];
  readonly today: Day;
}

/** The display panel of a package, or what is known to be the least of it: the sticker, or the tray. */
export function panelOf({ box }: BoxFacts, { kitchen }: Book): DisplayPanel {
  if (box.panel) return box.panel;
  const { widthMm, heightMm } = kitchen.label;
  const sum = (list: readonly number[]) => list.reduce((all, each) => all + each, 0);
  const tray = box.tray ? { widthMm: sum(box.tray.columnsMm), heightMm: sum(box.tray.rowsMm) } : null;
  return tray && tray.widthMm * tray.heightMm > widthMm * heightMm ? tray : { widthMm, heightMm };
}

function findingsOf(
  facts: BoxFacts,
  used: readonly IngredientFiled[],
  { kitchen }: Book,
  required: readonly RequiredField[],
) {
  const box: Subject<'box'> = { noun: 'box', id: facts.box.id, name: facts.box.name };
  const settings: Subject<'kitchen'> = { noun: 'kitchen', id: 'kitchen', name: 'Settings' };
  const found: Finding[] = [];
  if (!facts.complete) found.push(finding('label-incomplete', box, {}));
  if (!kitchen.address) found.push(finding('label-no-address', settings, {}));
  if (!kitchen.homeKitchenStatement) found.push(finding('label-no-statement', settings, {}));
  else if (!kitchen.statementChecked) found.push(finding('label-statement-unchecked', settings, {}));
  if (facts.box.panel === null)
    found.push(finding('label-no-panel', box, {}, { waysOut: [openWayOut(box, 'Say its size')] }));
  const called = misnamedChocolate([facts.box.name, facts.box.foodName], used);
  if (called !== undefined) found.push(finding('box-called-chocolate', box, { called }));
  const lacking = required.filter(({ state, stops }) => stops && state === 'missing');
  if (lacking.length > 0) found.push(finding('label-lacks', box, { what: lacking.map(({ text }) => text) }));
  return [...found, ...used.flatMap(declarationFindings)];
}

const block = (kind: LabelBlock['kind'], heading: string, spans: readonly Span[]): LabelBlock => ({
  kind,
  heading,
  text: textOf(spans),
  spans,
});
const words = (kind: LabelBlock['kind'], text: string): LabelBlock => block(kind, '', text === '' ? [] : [plain(text)]);

/** Each piece with its own list and what it contains. */
function pieceBlocks(school: LabelSchool, facts: BoxFacts, book: Book): LabelBlock[] {
  return facts.pieces.flatMap(({ pieceId }): LabelBlock[] => {
    const piece = book.pieces.get(pieceId);
    if (!piece) return [];
    const declared = school.declare({
      foodName: piece.piece.name,
      list: ingredientList([{ pieceId, count: 1 }], book),
      contains: piece.contains,
      mayContain: [],
      group: book.kitchen.label.twoPercentGroup,
    });
    const sentences = declared
      .filter(({ spans }) => spans.length > 0)
      .map(({ kind, heading, spans }) => [
        ...(kind === 'ingredients' ? [] : [{ ...plain(`${heading} `), strong: true }]),
        ...spans,
        plain('.'),
      ]);
    return [
      block(
        'piece',
        `${piece.piece.name}:`,
        sentences.flatMap((each, index) => (index === 0 ? each : [plain(' '), ...each])),
      ),
    ];
  });
}

/**
 * The label of a box by the rules of a school: name, food, ingredients, allergens, dates, maker, home-kitchen statement, net quantity.
 */
export function labelOf(
  school: LabelSchool,
  facts: BoxFacts,
  book: Book,
  { dates, lot = null, fromKitchen = [], today }: LabelOf,
): Label {
  const { kitchen } = book;
  const { label } = kitchen;
  const list = ingredientList(facts.pieces, book);
  const used = [...ingredientGrams(facts.pieces, book).keys()].flatMap((id) => book.ingredients.get(id) ?? []);
  const panel = panelOf(facts, book);
  const mayContain = inLabelOrder([...facts.mayContain, ...fromKitchen]).filter(
    (code) => !facts.contains.includes(code),
  );
  const declared = school
    .declare({ foodName: facts.box.foodName, list, contains: facts.contains, mayContain, group: label.twoPercentGroup })
    .map(({ kind, heading, spans }) => block(kind, heading, spans));
  const isMerged = label.declared !== 'by piece';
  const isFrench = school.languages.includes('French');
  const both = (english: string, french: string) => (isFrench && french !== '' ? `${english} / ${french}` : english);
  const blocks: LabelBlock[] = [
    words('name', facts.box.name),
    words('food', both(facts.box.foodName, facts.box.foodNameFrench)),
    ...(isMerged ? declared.filter(({ kind }) => kind === 'ingredients') : []),
    ...(label.declared === 'merged' ? [] : pieceBlocks(school, facts, book)),
    ...declared.filter(({ kind }) => kind !== 'ingredients'),
    ...school.warnings(facts.contains).map((text) => words('warning', text)),
    ...(label.nutrition ? [words('nutrition', sayNutrition(facts, book))] : []),
    words('dates', dates ? school.dates(dates) : ''),
    words('storage', label.storage),
    words('lot', lot ? `Lot ${lot}` : ''),
    words('maker', [kitchen.makerName, kitchen.address].filter(Boolean).join(', ')),
    words('permit', label.permit),
    words('statement', both(kitchen.homeKitchenStatement, label.statementFrench)),
    words('net', facts.weightGrams > 0 ? school.netQuantity(facts.weightGrams) : ''),
  ];
  const required = school.required({ facts, book, list, used, dates, today });
  const placeOf = ({ kind }: LabelBlock) => label.order.indexOf(kind);
  return {
    // What has no place of its own keeps the usual one, behind those that have.
    blocks: sortBy(
      blocks.filter(({ text }) => text !== ''),
      [(each) => (placeOf(each) < 0 ? label.order.length : placeOf(each))],
    ),
    netLetterMm: school.netLetterMm(panel, facts.weightGrams),
    textLetterMm: school.textLetterMm(panel),
    required,
    findings: findingsOf(facts, used, book, required),
  };
}
