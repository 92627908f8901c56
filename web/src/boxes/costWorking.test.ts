import { expect, it } from '@jest/globals';
import type { BoxCost } from '@usual-pantry/core/money';
import { costWorking } from './costWorking';

const cost: BoxCost = {
  boxId: 'b',
  name: 'Box',
  ingredientsMinor: 380,
  packagingMinor: 215,
  handsMinor: 532,
  costMinor: 1127,
  priceMinor: 2600,
  profitMinor: 1473,
  contributionMinor: 2005,
  marginPercent: 56.65,
  markupPercent: 130.7,
  handsMinutes: 17.73,
  perBenchHourMinor: 6784,
  pieces: [{ pieceId: 'p', name: 'Fudge', count: 2, ingredientsMinor: 50 }],
  unpriced: [],
};

it('shows the inputs of each part of a cost, in money and minutes', () => {
  expect(costWorking(cost, 'ingredients', 1800, 'USD').inputs).toEqual([['2 × Fudge', '$0.50']]);
  expect(costWorking(cost, 'hands', 1800, 'USD').inputs).toEqual([
    ['Minutes', '17.7'],
    ['Rate an hour', '$18.00'],
  ]);
  expect(costWorking(cost, 'margin', 1800, 'USD').inputs).toEqual([
    ['Price', '$26.00'],
    ['Cost', '$11.27'],
    ['Left', '$14.73'],
    ['Markup on cost', '131 %'],
  ]);
  expect(costWorking({ ...cost, markupPercent: null }, 'margin', 1800, 'USD').inputs[3]).toEqual([
    'Markup on cost',
    '–',
  ]);
});
