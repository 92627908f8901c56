import { emptyKitchen } from '@usual-pantry/core/kitchen';
import type { StoredBook } from './kept.js';

type Box = StoredBook['boxes'][number];

const withoutPrice = <Of extends Pick<Box, 'priceMinor' | 'packaging'>>(box: Of): Of => ({
  ...box,
  priceMinor: 0,
  packaging: [],
});

/** The book as a helper sees it: recipes, pieces and boxes, and of the settings what the bench needs. Nothing that is paid or asked for. */
export function bookForHelper(book: StoredBook): StoredBook {
  const { benchWeek, dayChanges, pots, pans, moulds, burners, altitudeMetres, boilingReadingCelsius } = book.kitchen;
  const { temperatureFirst, measures, setUpMinutes, scaleStepGrams, writing, version } = book.kitchen;
  const { cleanMinutes, cleanFor, cleanList } = book.kitchen;
  return {
    kitchen: {
      ...emptyKitchen,
      handsRateMinorPerHour: 0,
      ...{ benchWeek, dayChanges, pots, pans, moulds, burners, altitudeMetres, boilingReadingCelsius },
      ...{ temperatureFirst, measures, setUpMinutes, scaleStepGrams, writing, version },
      ...{ cleanMinutes, cleanFor, cleanList },
    },
    ingredients: book.ingredients.map((each) => ({ ...each, packs: [], prices: [], notes: '' })),
    recipes: book.recipes,
    pieces: book.pieces,
    boxes: book.boxes.map((box) => ({
      ...withoutPrice(box),
      editions: box.editions.map((each) => ({ ...each, content: withoutPrice(each.content) })),
      notes: '',
    })),
    batches: book.batches,
  };
}
