import { BatchRow } from './batch/batch.entity.js';
import { BoxCellRow, BoxRow } from './box/box.entity.js';
import { ChangePartRow, ChangeRow } from './history/history.entity.js';
import { IngredientRow } from './ingredient/ingredient.entity.js';
import { InboxMessageRow } from './inbox/inbox.entity.js';
import { KitchenRow } from './kitchen/kitchen.entity.js';
import { OrderAgreedRow, OrderLineRow, OrderRow } from './order/order.entity.js';
import { PieceLayerRow, PieceRow } from './piece/piece.entity.js';
import { SeasonPlanRow } from './plan/season-plan.entity.js';
import { RecipeLineRow, RecipeRow, RecipeVersionRow } from './recipe/recipe.entity.js';

/** Every table that is kept, by its noun. */
export const entities = [
  KitchenRow,
  IngredientRow,
  RecipeRow,
  RecipeLineRow,
  RecipeVersionRow,
  PieceRow,
  PieceLayerRow,
  BoxRow,
  BoxCellRow,
  OrderRow,
  OrderLineRow,
  OrderAgreedRow,
  InboxMessageRow,
  SeasonPlanRow,
  BatchRow,
  ChangeRow,
  ChangePartRow,
] as const;
