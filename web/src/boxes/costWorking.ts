import type { BoxCost } from '@usual-pantry/core/money';
import { sayMinutes, sayMoney, sayNumber } from '@usual-pantry/core/quantity';
import type { Working } from '../parts/Worked';

/** How one part of a box's cost was worked out. */
export function costWorking(
  cost: BoxCost,
  part: 'ingredients' | 'hands' | 'margin',
  rateMinor: number,
  currency: string,
): Working {
  const money = (minor: number) => sayMoney(minor, currency);
  switch (part) {
    case 'ingredients':
      return {
        title: 'Ingredients',
        inputs: cost.pieces.map((piece) => [`${String(piece.count)} × ${piece.name}`, money(piece.ingredientsMinor)]),
        rule: 'Each recipe’s ingredients at the pack that is cheapest by weight, divided by what comes out of the pot, and by the whole pieces that a batch gives: losses, trim and crumbs are in it. Rounded once, half to even.',
      };
    case 'hands':
      return {
        title: 'Hands',
        inputs: [
          ['Minutes', sayNumber(cost.handsMinutes, 1)],
          ['Rate an hour', money(rateMinor)],
        ],
        rule: `Minutes of the batches shared out over what they give, of each piece, and of packing: ${sayMinutes(cost.handsMinutes)} x the rate.`,
      };
    case 'margin':
      return {
        title: 'Margin and markup',
        inputs: [
          ['Price', money(cost.priceMinor)],
          ['Cost', money(cost.costMinor)],
          ['Left', money(cost.profitMinor)],
          ['Markup on cost', cost.markupPercent === null ? '–' : `${sayNumber(cost.markupPercent)} %`],
        ],
        rule: 'Margin is what is left as a share of the price; markup is the same as a share of the cost. A markup of 50 % is a margin of 33 %.',
      };
  }
}
