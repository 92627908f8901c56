import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import type { Finding } from '../finding/index.js';
import { ingredientGrams, ingredientList } from './ingredients.js';
import type { LabelDates, LabelSchool } from './school.js';

/** One paragraph of a label. */
export interface LabelBlock {
  readonly kind: 'name' | 'food' | 'ingredients' | 'contains' | 'also' | 'dates' | 'maker' | 'statement' | 'net';
  readonly heading: string;
  readonly text: string;
}

/** The words of a label, and what is missing or must be checked. */
export interface Label {
  readonly blocks: readonly LabelBlock[];
  /** The least height of the letters of the net quantity, by the package's display panel, mm. */
  readonly netLetterMm: number;
  /** The least height of all other letters, mm. */
  readonly textLetterMm: number;
  readonly findings: readonly Finding[];
}

/** The display panel of a package, or what is known to be the least of it: the sticker, or the tray. */
function panelOf({ box }: BoxFacts, { kitchen }: Book): { readonly widthMm: number; readonly heightMm: number } {
  if (box.panel) return box.panel;
  const { widthMm, heightMm } = kitchen.label;
  const sum = (list: readonly number[]) => list.reduce((all, each) => all + each, 0);
  const tray = box.tray ? { widthMm: sum(box.tray.columnsMm), heightMm: sum(box.tray.rowsMm) } : null;
  return tray && tray.widthMm * tray.heightMm > widthMm * heightMm ? tray : { widthMm, heightMm };
}

/**
 * The label of a box by the rules of a school: name, food, ingredients, allergens, dates, maker, home-kitchen statement, net quantity.
 * @param dates null leaves the dates out
 */
export function labelOf(school: LabelSchool, facts: BoxFacts, book: Book, dates: LabelDates | null): Label {
  const { kitchen } = book;
  const { headings } = school;
  const contains = school.allergens(facts.contains);
  const may = school.allergens(facts.mayContain);
  const used = [...ingredientGrams(facts.pieces, book).keys()].flatMap((id) => book.ingredients.get(id) ?? []);
  const panel = panelOf(facts, book);
  const list = school.list(ingredientList(facts.pieces, book), kitchen.label.twoPercentGroup);
  const blocks: LabelBlock[] = [
    { kind: 'name', heading: '', text: facts.box.name },
    { kind: 'food', heading: '', text: facts.box.foodName },
    { kind: 'ingredients', heading: headings.ingredients, text: list },
    { kind: 'contains', heading: headings.listed, text: contains.listed },
    { kind: 'also', heading: headings.also, text: contains.also },
    { kind: 'also', heading: headings.may, text: [may.listed, may.also].filter(Boolean).join(', ') },
    { kind: 'also', heading: '', text: school.warning(facts.contains) },
    { kind: 'dates', heading: '', text: dates ? school.dates(dates) : '' },
    { kind: 'maker', heading: '', text: [kitchen.makerName, kitchen.address].filter(Boolean).join(', ') },
    { kind: 'statement', heading: '', text: kitchen.homeKitchenStatement },
    { kind: 'net', heading: '', text: facts.weightGrams > 0 ? school.netQuantity(facts.weightGrams) : '' },
  ];
  return {
    blocks: blocks.filter((block) => block.text !== ''),
    netLetterMm: school.netLetterMm(panel.widthMm, panel.heightMm),
    textLetterMm: school.textLetterMm,
    findings: school.findings(facts, used, book),
  };
}
