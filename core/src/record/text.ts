import type { WrongValue } from './wrong.js';

/** Control characters but tab, line feed and carriage return: a NUL would cut a name in two, and what stands behind it would be lost. */
const isControl = (code: number): boolean =>
  (code < 0x20 && code !== 0x09 && code !== 0x0a && code !== 0x0d) || (code >= 0x7f && code <= 0x9f);

/**
 * What is wrong with a text whatever it says: a control character, or half of a character that needs two units.
 * @returns null when nothing is
 */
export function textFault(text: string): string | null {
  for (let at = 0; at < text.length; at++) {
    const code = text.charCodeAt(at);
    if (isControl(code))
      return `has a control character (code ${String(code)}) at place ${String(at + 1)}: take it out`;
    const isHigh = code >= 0xd800 && code <= 0xdbff;
    const isLow = code >= 0xdc00 && code <= 0xdfff;
    const next = text.charCodeAt(at + 1);
    if (isLow || (isHigh && !(next >= 0xdc00 && next <= 0xdfff)))
      return `has half a character at place ${String(at + 1)}: take it out`;
    if (isHigh) at += 1;
  }
  return null;
}

/** Deeper than this nothing is nested that anybody writes. */
export const MOST_DEPTH = 60;

/**
 * The same value with every text in it composed (Unicode NFC), so that equal names are equal; and every text that cannot be stored as it is.
 * @param value as JSON gives it
 */
export function cleanTexts(value: unknown): { readonly value: unknown; readonly wrong: readonly WrongValue[] } {
  const wrong: WrongValue[] = [];
  const clean = (each: unknown, path: readonly PropertyKey[]): unknown => {
    if (typeof each === 'string') {
      const message = textFault(each);
      if (message === null) return each.normalize('NFC');
      wrong.push({ path, message });
      return each;
    }
    if (typeof each !== 'object' || each === null) return each;
    if (path.length >= MOST_DEPTH) {
      wrong.push({ path: path.slice(0, 3), message: `is nested deeper than ${String(MOST_DEPTH)} levels` });
      return null;
    }
    if (Array.isArray(each)) return each.map((inner, index) => clean(inner, [...path, index]));
    return Object.fromEntries(
      Object.entries(each).map(([key, inner]) => {
        const message = textFault(key);
        if (message !== null) wrong.push({ path, message: `has a name that ${message}` });
        return [key.normalize('NFC'), clean(inner, [...path, key])];
      }),
    );
  };
  return { value: clean(value, []), wrong };
}

/** Letters that are no letter with a mark, and what they are looked for as. */
const plain: Readonly<Record<string, string>> = {
  ß: 'ss',
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  æ: 'ae',
  œ: 'oe',
  ı: 'i',
};

/**
 * A text as it is searched by: without case, accents and width.
 * @example foldText('Öberg') // 'oberg'
 */
export const foldText = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[ßøłđðþæœı]/g, (letter) => plain[letter] ?? letter);
