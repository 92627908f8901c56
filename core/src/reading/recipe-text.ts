import { z } from 'zod';
import { lineSchema, recipeDraftSchema, type RecipeDraft, type RecipeStep } from '../recipe/index.js';

/** A step of a recipe whose parts are told apart: its text, the section that it stands in, and all that this program wrote of it. */
export interface TextStep {
  readonly text: string;
  readonly part: string;
  readonly step: RecipeStep | null;
}

/** A line as this program wrote it, with the name of what it uses. */
const ownLineSchema = lineSchema.omit({ uses: true }).extend({ name: z.string().max(200) });
export type OwnLine = z.infer<typeof ownLineSchema>;

export const ownRecipeSchema = recipeDraftSchema
  .pick({
    yield: true,
    batchSizes: true,
    anySize: true,
    handsMinutes: true,
    keepsDays: true,
    restDays: true,
    foaming: true,
    grains: true,
    hygroscopic: true,
    alcohol: true,
    method: true,
  })
  .extend({ lines: z.array(ownLineSchema).max(80) });

/** What this program writes of a recipe beyond the standard. */
export type OwnRecipe = z.infer<typeof ownRecipeSchema>;

/** The key of a part of a text, as long as it is no recipe of its own yet. */
export const partId = (name: string): string => `part:${name}`;

/** A recipe whose parts are told apart already, as a structured file brings it. */
export interface RecipeText {
  readonly name: string;
  /** How much it makes, as it is said: `40 pieces`. */
  readonly makes: readonly string[];
  /** Minutes of preparation; null where it does not say. */
  readonly prepMinutes: number | null;
  readonly ingredients: readonly string[];
  readonly steps: readonly TextStep[];
  readonly own: OwnRecipe | null;
}

/** What of a recipe is not in its lines, name and steps, as it was written. */
export const ownOf = ({ lines: _lines, ...own }: OwnRecipe): Partial<RecipeDraft> => own;
