import { exclusionCodes, exclusions } from '../ingredient/index.js';
import type { OrderDraft } from '../order/index.js';

export type Way = OrderDraft['handOver']['way'];

const ways: readonly (readonly [pattern: RegExp, way: Way])[] = [
  [/\b(?:pick(?:ed|ing)?[ -]?up|collect(?:s|ed|ion)?|porch)\b/i, 'pick-up'],
  [/\b(?:stall|market|fair)\b/i, 'stall'],
  [/\b(?:courier|post(?:ed)?|ship(?:ped|ping)?|parcel|mail(?:ed)?|deliver(?:y|ed)?)\b/i, 'courier'],
];

/** The way of a hand-over that a text names, and the word for it. */
export function readWay(text: string): { readonly way: Way; readonly words: string } | null {
  for (const [pattern, way] of ways) {
    const words = pattern.exec(text)?.[0];
    if (words !== undefined) return { way, words };
  }
  return null;
}

/** Words of customers for what a code rules out. */
const alsoCalled: Readonly<Record<string, string>> = {
  dairy: 'milk',
  lactose: 'milk',
  eggs: 'egg',
  peanuts: 'peanut',
  soya: 'soy',
  nut: 'nuts',
  'tree nut': 'tree-nuts',
  'tree nuts': 'tree-nuts',
  wheats: 'wheat',
  sulphites: 'sulfites',
  gelatine: 'gelatin',
  booze: 'alcohol',
  spirits: 'alcohol',
};

/** The exclusion that a word means, or null. */
export function readExclusion(word: string): string | null {
  const text = word.trim().toLowerCase().replace(/\s+/g, ' ');
  const forms = [text, text.replace(/s$/, ''), `${text}s`];
  const byName = exclusionCodes.find((code) => forms.includes(code) || forms.includes(exclusions[code]?.name ?? ''));
  return byName ?? alsoCalled[text] ?? null;
}
