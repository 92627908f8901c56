import type { Book, BoxFacts } from '../box/index.js';
import { finding, type Finding, type Subject } from '../finding/index.js';
import { allergens, beyondUsMajors, usContains } from '../ingredient/index.js';
import { sayLabelDay, type Day } from '../quantity/index.js';
import { ingredientList, ingredientStatement } from './ingredients.js';
import { netQuantity } from './net.js';

/** One paragraph of a label. */
export interface LabelBlock {
  readonly kind: 'name' | 'food' | 'ingredients' | 'contains' | 'also' | 'dates' | 'maker' | 'statement' | 'net';
  readonly heading: string;
  readonly text: string;
}

/** The words of a US label, and what is missing or must be checked. */
export interface Label {
  readonly blocks: readonly LabelBlock[];
  readonly findings: readonly Finding[];
}

/** The dates that a label carries. */
export interface LabelDates {
  readonly madeOn: Day;
  readonly bestBefore: Day;
}

function labelFindings(facts: BoxFacts, book: Book): Finding[] {
  const { kitchen } = book;
  const box: Subject = { noun: 'box', id: facts.box.id, name: facts.box.name };
  const settings: Subject = { noun: 'kitchen', id: 'kitchen', name: 'Settings' };
  const found: Finding[] = [];
  if (!facts.complete)
    found.push(
      finding(
        'stop',
        'label-incomplete',
        box,
        `The label of ${facts.box.name} cannot be printed until everything in it can be worked out.`,
      ),
    );
  if (!kitchen.address) found.push(finding('stop', 'label-no-address', settings, 'The label needs your address.'));
  if (!kitchen.homeKitchenStatement)
    found.push(
      finding(
        'decide',
        'label-no-statement',
        settings,
        'Most places want a home-kitchen statement on the label: check your local code.',
      ),
    );
  else if (!kitchen.statementChecked)
    found.push(
      finding(
        'decide',
        'label-statement-unchecked',
        settings,
        'The home-kitchen statement is a placeholder: check your local code, write what it asks for, and tick it off.',
      ),
    );
  return found;
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
  const may = usContains(facts.mayContain);
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
    { kind: 'also', heading: 'May contain:', text: may },
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
    findings: labelFindings(facts, book),
  };
}
