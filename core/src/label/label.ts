import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { finding, openWayOut, type Finding, type Subject } from '../finding/index.js';
import {
  allergens,
  beyondUsMajors,
  callsItChocolate,
  declarationFindings,
  isCompound,
  usContains,
  type IngredientFiled,
} from '../ingredient/index.js';
import { sayLabelDay, type Day } from '../quantity/index.js';
import { ingredientGrams, ingredientList, ingredientStatement } from './ingredients.js';
import { netLetterHeightMm, netQuantity } from './net.js';

/** One paragraph of a label. */
export interface LabelBlock {
  readonly kind: 'name' | 'food' | 'ingredients' | 'contains' | 'also' | 'dates' | 'maker' | 'statement' | 'net';
  readonly heading: string;
  readonly text: string;
}

/** The words of a US label, and what is missing or must be checked. */
export interface Label {
  readonly blocks: readonly LabelBlock[];
  /** The least height of the letters of the net quantity, by the package's display panel, mm. */
  readonly netLetterMm: number;
  readonly findings: readonly Finding[];
}

/** Honey may hold spores that an infant’s gut cannot stand. Common practice, no source. */
const INFANTS = 'Contains honey: not for infants under one year.';

/** The dates that a label carries. */
export interface LabelDates {
  readonly madeOn: Day;
  readonly bestBefore: Day;
}

/** The display panel of a package, or what is known to be the least of it: the sticker, or the tray. */
function panelOf({ box }: BoxFacts, { kitchen }: Book): { readonly widthMm: number; readonly heightMm: number } {
  if (box.panel) return box.panel;
  const { widthMm, heightMm } = kitchen.label;
  const sum = (list: readonly number[]) => list.reduce((all, each) => all + each, 0);
  const tray = box.tray ? { widthMm: sum(box.tray.columnsMm), heightMm: sum(box.tray.rowsMm) } : null;
  return tray && tray.widthMm * tray.heightMm > widthMm * heightMm ? tray : { widthMm, heightMm };
}

function labelFindings(facts: BoxFacts, ingredients: readonly IngredientFiled[], book: Book): Finding[] {
  const { kitchen } = book;
  const box: Subject<'box'> = { noun: 'box', id: facts.box.id, name: facts.box.name };
  const settings: Subject<'kitchen'> = { noun: 'kitchen', id: 'kitchen', name: 'Settings' };
  const found: Finding[] = [];
  if (!facts.complete) found.push(finding('label-incomplete', box, {}));
  if (!kitchen.address) found.push(finding('label-no-address', settings, {}));
  if (!kitchen.homeKitchenStatement) found.push(finding('label-no-statement', settings, {}));
  else if (!kitchen.statementChecked) found.push(finding('label-statement-unchecked', settings, {}));
  if (facts.box.panel === null)
    found.push(finding('label-no-panel', box, {}, { waysOut: [openWayOut(box, 'Say its size')] }));
  const real = ingredients.some((each) => each.chocolate !== null && !isCompound(each));
  const called = [facts.box.name, facts.box.foodName].find(callsItChocolate);
  if (called !== undefined && !real && ingredients.some(isCompound))
    found.push(finding('box-called-chocolate', box, { called }));
  return [...found, ...ingredients.flatMap(declarationFindings)];
}

/**
 * The US label of a box: name, food, ingredients descending by weight with sub-ingredients in parentheses, "Contains:" for the
 * nine majors with tree nuts by kind, what else somebody must know, dates, maker, home-kitchen statement, net quantity.
 *
 * Sources: 21 CFR 101.3, 101.4, 101.5, 101.7; FALCPA 2004; FASTER Act 2021. An estimate that defers to the local code.
 * @param dates null leaves the dates out
 */
export function usLabel(facts: BoxFacts, book: Book, dates: LabelDates | null): Label {
  const { kitchen } = book;
  const list = ingredientList(facts.pieces, book);
  const contains = usContains(facts.contains);
  const also = beyondUsMajors(facts.contains).map((code) => allergens[code].name.toLowerCase());
  const may = [
    usContains(facts.mayContain),
    ...beyondUsMajors(facts.mayContain).map((code) => allergens[code].name.toLowerCase()),
  ];
  const used = [...ingredientGrams(facts.pieces, book).keys()].flatMap((id) => book.ingredients.get(id) ?? []);
  const hasHoney = facts.contains.includes('honey');
  const panel = panelOf(facts, book);
  const blocks: LabelBlock[] = [
    { kind: 'name', heading: '', text: facts.box.name },
    { kind: 'food', heading: '', text: facts.box.foodName },
    {
      kind: 'ingredients',
      heading: 'Ingredients:',
      text: ingredientStatement(list, kitchen.label.twoPercentGroup),
    },
    { kind: 'contains', heading: 'Contains:', text: contains },
    { kind: 'also', heading: 'Also contains:', text: also.join(', ') },
    { kind: 'also', heading: 'May contain:', text: may.filter(Boolean).join(', ') },
    { kind: 'also', heading: '', text: hasHoney ? INFANTS : '' },
    {
      kind: 'dates',
      heading: '',
      text: dates ? `Made ${sayLabelDay(dates.madeOn)}. Best before ${sayLabelDay(dates.bestBefore)}.` : '',
    },
    {
      kind: 'maker',
      heading: '',
      text: [kitchen.makerName, kitchen.address].filter(Boolean).join(', '),
    },
    { kind: 'statement', heading: '', text: kitchen.homeKitchenStatement },
    {
      kind: 'net',
      heading: '',
      text: facts.weightGrams > 0 ? netQuantity(facts.weightGrams) : '',
    },
  ];
  return {
    blocks: blocks.filter((block) => block.text !== ''),
    netLetterMm: netLetterHeightMm(panel.widthMm, panel.heightMm),
    findings: labelFindings(facts, used, book),
  };
}
