export {
  conventionsOf,
  emptyKitchen,
  type Kitchen,
  type KitchenDraft,
  kitchenDraftSchema,
  type MeasureHabit,
  measureHabits,
  type Pan,
} from './schema.js';
