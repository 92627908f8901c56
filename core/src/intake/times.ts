import type { TypedLine } from './tokens.js';

const TIME =
  /(?:(?:at|about|around|after|before|by|from|between|until|till|any ?time|sometime)\s+)?(?:(?:after|before)\s+)?(?:\d{1,2}(?:[:.]\d{2})?(?:\s*(?:-|–|to|and|or)\s*\d{1,2}(?:[:.]\d{2})?)?\s*(?:am|pm|a\.m\.|p\.m\.|o['’]?clock|ish|h\b)|\d{1,2}:\d{2}|half past \w+|quarter (?:past|to) \w+|(?:in the |this |that )?(?:morning|afternoon|evening|lunch ?time|lunch|midday|noon|teatime|tonight)\b(?: time)?)|(?:at|after|before|around|about|between|from)\s+\d{1,2}(?:\s*(?:-|–|to|and)\s*\d{1,2})?(?=\s*(?:$|[,.;!?)\n]))/giu;
const GREETING = /\b(?:good|happy)\s+$/i;

/** Times of a day: they are kept as a note, since a hand-over has a day. */
export function findTimes(line: TypedLine): { readonly from: number; readonly to: number }[] {
  const times: { from: number; to: number }[] = [];
  for (const found of line.text.matchAll(TIME)) {
    const before = line.text.slice(0, found.index);
    // `Morning!` at the head of a message is a greeting.
    if (found[0].trim() === '' || GREETING.test(before) || before.trim() === '') continue;
    const [start, end] = [found.index, found.index + found[0].length];
    const from = line.tokens.findIndex((token) => token.from >= start);
    let to = from;
    while (to < line.length && (line.at(to)?.to ?? 0) <= end) to++;
    const whole = Array.from({ length: to - from }, (_each, at) => from + at);
    if (from >= 0 && to > from && whole.every((index) => line.at(index)?.kind === 'mark' || line.isFree(index)))
      times.push({ from, to });
  }
  return times;
}

const CONTACT = /[\p{L}\d._%+-]+@[\p{L}\d.-]+\.\p{L}{2,}|(?<![\d/.-])\+?\d[\d\s().-]{7,}\d(?![\d/.-])/giu;

/** A mail address or a telephone number. */
export function findContact(line: TypedLine): string {
  let contact = '';
  for (const found of line.text.matchAll(CONTACT)) {
    const [start, end] = [found.index, found.index + found[0].length];
    if (/^(?:\d{4}-\d{1,2}-\d{1,2}|\d{1,2}[./-]\d{1,2}[./-]\d{2,4})$/.test(found[0].trim())) continue;
    line.tokens.forEach((token, index) => {
      if (token.from >= start && token.to <= end) line.claim(index, index + 1, 'contact');
    });
    contact = contact === '' ? found[0].trim() : `${contact}, ${found[0].trim()}`;
  }
  return contact;
}
