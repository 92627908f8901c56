import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { cleanTexts, textFault } from './text.js';

describe('a text', () => {
  it.each(['Ann', 'Öberg', 'zwei\nZeilen\tund mehr\r\n', '🍫 box', ''])('%j can be stored', (text) => {
    expect(textFault(text)).toBeNull();
  });

  it.each([
    ['Ann\u0000 no nuts', 'has a control character (code 0) at place 4: take it out'],
    ['a\u001bb', 'has a control character (code 27) at place 2: take it out'],
    ['\u0085', 'has a control character (code 133) at place 1: take it out'],
    ['x\ud83c', 'has half a character at place 2: take it out'],
    ['\udf6bx', 'has half a character at place 1: take it out'],
  ])('%j cannot', (text, message) => {
    expect(textFault(text)).toBe(message);
  });

  it('that can be stored is what it was, composed, wherever it stands; one that cannot is named by its path', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.string({ unit: 'binary' }), (value, text) => {
        const { value: clean, wrong } = cleanTexts({ value, list: [text] });
        const fault = textFault(text);
        expect(wrong.filter(({ path }) => path[0] === 'list')).toEqual(
          fault === null ? [] : [{ path: ['list', 0], message: fault }],
        );
        if (wrong.length === 0)
          expect(JSON.stringify(clean)).toBe(JSON.stringify({ value, list: [text] }).normalize('NFC'));
      }),
    );
  });

  it('is composed, so that equal names are equal', () => {
    expect(cleanTexts({ name: 'O\u0308berg' })).toEqual({ value: { name: '\u00d6berg' }, wrong: [] });
  });

  it('of any name is kept, whatever objects know by themselves', () => {
    const value = JSON.parse('{"constructor":"a","toString":"b","__proto__":"c"}') as object;
    const { value: clean } = cleanTexts(value);
    expect(Object.keys(clean as object)).toEqual(['constructor', 'toString', '__proto__']);
  });

  it('that is nested without end is refused in words, and soon', () => {
    let value: unknown = 'x';
    for (let depth = 0; depth < 5_000; depth++) value = [value];
    expect(cleanTexts(value).wrong).toEqual([{ path: [0, 0, 0], message: 'is nested deeper than 60 levels' }]);
  });
});
