import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Pack } from '../ingredient/index.js';
import type { PriceHabit } from './price.js';
import { readReceipt } from './receipt.js';

const us: PriceHabit = { currency: 'USD', habit: 'US' };
const bag: Pack = { name: '5 lb bag', amount: 5, unit: 'lb', priceMinor: 400, supplier: 'Corner', leadDays: 2 };

const pantry = ['Unsalted butter', 'Granulated sugar', 'Heavy cream', 'Vanilla extract'].map((name) => {
  const packs: Pack[] = name === 'Vanilla extract' ? [{ ...bag, name: '4 fl oz', amount: 4, unit: 'floz' }] : [];
  return { kind: 'ingredient' as const, id: name.toLowerCase().replace(' ', '-'), name, packs };
});
const bought = (text: string) =>
  readReceipt(text, us, pantry).map(({ kind, found, certain, price }) => {
    if (kind === 'aside') return 'aside';
    const read = price(found?.packs ?? []);
    return [found?.name, certain, read.kind === 'asked' ? read.why : [read.pack.priceMinor, read.pack.name]];
  });

describe('a receipt', () => {
  it('is read line by line, whatever stands between what was bought', () => {
    const till =
      'CORNER MARKET\nUNSALTED BUTTER 2 LB    7.49 F\nGRANULATED SUGAR 4LB 3.29 T\n\nSUBTOTAL 10.78\nTAX 0.62\nTOTAL $11.40';
    expect(bought(till)).toEqual([
      'aside',
      ['Unsalted butter', true, [749, '2 lb']],
      ['Granulated sugar', true, [329, '4 lb']],
      'aside',
      'aside',
      'aside',
    ]);
  });

  it.each([
    ['Heavy cream,1 qt,$5.99', ['Heavy cream', true, [599, '1 US quart']]],
    ['"Heavy cream";"1 qt";"5.99"', ['Heavy cream', true, [599, '1 US quart']]],
    ['Heavy cream\t1 qt\t5.99', ['Heavy cream', true, [599, '1 US quart']]],
    ['2 lb unsalted butter for $7.49', ['Unsalted butter', true, [749, '2 lb']]],
    ['Vanilla extract 12.99', ['Vanilla extract', true, [1299, '4 fl oz']]],
    ['Butter 1 lb 4.99', [undefined, false, [499, '1 lb']]],
    ['Heavy whipping cream 1 qt 5.99', ['Heavy cream', true, [599, '1 US quart']]],
    ['Milk 2% 1 gal 4.19', [undefined, false, [419, '1 US gallon']]],
    ['Milk 2 % 4.19', [undefined, false, expect.any(String)]],
    ['Unsalted butter 4.99', ['Unsalted butter', true, 'For how much of it? For example: 3.49 for 2 lb.']],
    ['Unsalted butter 2 @ 4.49 8.98', ['Unsalted butter', true, 'No amount: how much is meant?']],
  ])('%s', (line, expected) => {
    expect(bought(line)).toEqual([expected]);
  });

  it('loses no line, and takes nothing that it does not know for something else', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 30 })), (lines) => {
        const clean = lines.map((line) => line.replace(/[\r\n]/g, '').trim()).filter(Boolean);
        expect(readReceipt(clean.join('\n'), us, pantry).map(({ source }) => source)).toEqual(clean);
      }),
    );
    const [unknown] = readReceipt('Dish soap 2.99', us, pantry);
    expect(unknown?.found).toBeNull();
  });
});
