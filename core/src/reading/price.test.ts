import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Pack } from '../ingredient/index.js';
import { readPrice, type PriceHabit } from './price.js';

const us: PriceHabit = { currency: 'USD', habit: 'US' };
const read = (text: string, packs: readonly Pack[] = [], habit = us) => readPrice(text, habit, packs);
const short = (text: string, habit = us) => {
  const price = read(text, [], habit);
  return price.kind === 'asked'
    ? price.why
    : [price.pack.priceMinor, price.pack.amount, price.pack.unit, price.pack.name];
};
const bag: Pack = { name: '5 lb bag', amount: 5, unit: 'lb', priceMinor: 400, supplier: 'Corner', leadDays: 2 };

describe('a price as people write it', () => {
  it.each([
    ['$3.49 for 2 lb', [349, 2, 'lb', '2 lb']],
    ['3.49 for 2 lb', [349, 2, 'lb', '2 lb']],
    ['2 lb $3.49', [349, 2, 'lb', '2 lb']],
    ['2 lb for 3.49', [349, 2, 'lb', '2 lb']],
    ['2lb 3.49', [349, 2, 'lb', '2 lb']],
    ['2 lb bag, $3.49', [349, 2, 'lb', '2 lb']],
    ['$4 for 1/4 lb', [400, 0.25, 'lb', '0.25 lb']],
    ['1/4 lb 4.00', [400, 0.25, 'lb', '0.25 lb']],
    ['2 x 500 g for $7.98', [798, 1000, 'g', '2 × 500 g']],
    ['$1.99/lb', [199, 1, 'lb', '1 lb']],
    ['$1.99 per lb', [199, 1, 'lb', '1 lb']],
    ['$1.99 a pound', [199, 1, 'lb', '1 lb']],
    ['1.99/lb', [199, 1, 'lb', '1 lb']],
    ['$4.29 a dozen', [429, 12, 'count', '12']],
    ['$0.35 each', [35, 1, 'count', '1']],
    ['$12.50 for a 1 kg bag', [1250, 1, 'kg', '1 kg']],
    ['USD 1,250.00 = 50 kg', [125000, 50, 'kg', '50 kg']],
    ['16 oz @ 5.99', [599, 16, 'oz', '16 oz']],
    ['3 cans (14 oz) $6', [600, 42, 'oz', '3 × 14 oz can']],
  ])('%s', (text, expected) => {
    expect(short(text)).toEqual(expected);
  });

  it('is read in another kitchen as it is written there', () => {
    const eu: PriceHabit = { currency: 'EUR', habit: 'metric' };
    expect(short('3,49 € für 500 g', eu)).toMatch(/no amount/);
    expect(short('500 g 3,49 €', eu)).toEqual([349, 500, 'g', '500 g']);
    expect(short('3,49 for 500 g', eu)).toEqual([349, 500, 'g', '500 g']);
  });

  it.each([
    ['', /What was paid/],
    ['cheap', /What was paid/],
    ['2 lb', /What was paid/],
    ['1 1/2 lb', /What was paid/],
    ['3.49', /For how much/],
    ['$3.49 ($1.75 a lb)', /two prices/],
    ['£3.49 for 2 lb', /no price in USD/],
    ['$3.49 for a lot', /no amount/],
    ['2 for 5', /two ways/],
    ['$3 a can', /How much does a can hold/],
    ['$3.49 for 1-2 lb', /no amount/],
    ['-$3.49 for 2 lb', /negative/],
  ])('asks about "%s"', (text, why) => {
    expect(short(text)).toMatch(why);
  });

  it('takes no time over what nobody writes', () => {
    expect(short('='.repeat(100_000))).toMatch(/longer than 300/);
    expect(short('$3 for '.repeat(40))).toMatch(/two prices/);
  });

  it('gives the pack that holds as much its new price, and keeps where it is bought', () => {
    expect(read('$4.49 for 5 lb', [bag])).toEqual({ kind: 'pack', pack: { ...bag, priceMinor: 449 } });
    expect(read('4.49', [bag])).toEqual({ kind: 'pack', pack: { ...bag, priceMinor: 449 } });
    expect(read('4.49', [bag, { ...bag, name: '10 lb bag', amount: 10 }])).toMatchObject({ kind: 'asked' });
  });

  it('is the same price and amount in whatever order and with whatever words between them', () => {
    const money = fc.integer({ min: 1, max: 99_999 });
    const amount = fc.integer({ min: 1, max: 5000 });
    const unit = fc.constantFrom('g', 'kg', 'oz', 'lb', 'ml', 'l' as const);
    const way = fc.constantFrom(
      (price: string, holds: string) => `$${price} for ${holds}`,
      (price: string, holds: string) => `${holds} $${price}`,
      (price: string, holds: string) => `${holds} for ${price}`,
      (price: string, holds: string) => `${price} for ${holds}`,
      (price: string, holds: string) => `${holds} bag: ${price}`,
      (price: string, holds: string) => `${holds} = ${price} USD`,
      (price: string, holds: string) => `${holds} ${price}`,
    );
    fc.assert(
      fc.property(money, amount, unit, way, (minor, holds, of, write) => {
        const found = read(write((minor / 100).toFixed(2), `${String(holds)} ${of}`));
        expect(found).toMatchObject({ kind: 'pack', pack: { priceMinor: minor, amount: holds, unit: of } });
      }),
    );
  });

  it('never throws and never makes a pack of nothing, whatever is typed', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: fc.constantFrom(...Array.from('0123456789.,/ $£xlbkgozfor@=-½')), maxLength: 24 }),
        (text) => {
          const found = read(text);
          if (found.kind === 'asked') expect(found.why).not.toBe('');
          else {
            expect(found.pack.priceMinor).toBeGreaterThanOrEqual(0);
            expect(Number.isSafeInteger(found.pack.priceMinor)).toBe(true);
            expect(found.pack.amount).toBeGreaterThan(0);
          }
        },
      ),
    );
  });
});
