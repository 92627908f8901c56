/** One recipe's share of one piece. */
export interface PiecePart {
  readonly recipeId: string;
  readonly role: 'body' | 'finish' | 'coating' | 'layer' | 'shell';
  /** What stays in the finished piece, g. */
  readonly grams: number;
  /** What is taken from the recipe for it, g: more than `grams` by trim, kerf and crumbs. */
  readonly drawnGrams: number;
  /** What must stand ready for it, g: more than `drawnGrams` by the working pool; the surplus goes back to stock. */
  readonly readyGrams: number;
}
