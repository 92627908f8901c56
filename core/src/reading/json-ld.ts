import { z } from 'zod';
import { units } from '../quantity/index.js';
import type { RecipeFiled } from '../recipe/index.js';

/** What a schema.org/Recipe brings: text, to be read line by line. */
export interface RecipeText {
  readonly name: string;
  readonly ingredients: string;
  readonly steps: string;
}

const textOrList = z.union([z.string().transform((text) => [text]), z.array(z.unknown())]);
const recipeNode = z.looseObject({
  '@type': z.union([z.literal('Recipe'), z.array(z.string()).refine((types) => types.includes('Recipe'))]),
  name: z.string().default(''),
  recipeIngredient: z.array(z.string()).default([]),
  recipeInstructions: textOrList.default([]),
});

/** The first node of type Recipe: the value itself, one of a list, or one of an @graph. */
function findRecipe(value: unknown): z.infer<typeof recipeNode> | null {
  const parsed = recipeNode.safeParse(value);
  if (parsed.success) return parsed.data;
  const inner = Array.isArray(value) ? (value as unknown[]) : (value as { '@graph'?: unknown } | null)?.['@graph'];
  if (!Array.isArray(inner)) return null;
  for (const each of inner as unknown[]) {
    const found = findRecipe(each);
    if (found) return found;
  }
  return null;
}

/** Text of a step, a section of steps, or plain text. */
function stepTexts(value: unknown): string[] {
  if (typeof value === 'string') return value.split(/\r?\n/);
  if (typeof value !== 'object' || value === null) return [];
  const { text, name, itemListElement } = value as { text?: unknown; name?: unknown; itemListElement?: unknown };
  if (Array.isArray(itemListElement)) return itemListElement.flatMap(stepTexts);
  if (typeof text === 'string') return [text];
  return typeof name === 'string' ? [name] : [];
}

const plain = (text: string): string =>
  text
    .replace(/<[^>]*>/g, ' ')
    .replace(/&amp;/g, '&')
    .replace(/&#(\d+);/g, (_whole, code: string) => String.fromCodePoint(Number(code)))
    .replace(/\s+/g, ' ')
    .trim();

/**
 * Reads a schema.org/Recipe in JSON-LD, with or without the script tag around it.
 * @returns its text, or what is wrong with it in words
 */
export function readRecipeJsonLd(text: string): RecipeText | { readonly problem: string } {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\s*<script[^>]*>|<\/script>\s*$/gi, ''));
  } catch {
    return { problem: 'That is no JSON: a bracket, a comma or a quotation mark is wrong or missing.' };
  }
  const recipe = findRecipe(value);
  if (!recipe) return { problem: 'That JSON holds no recipe: nothing in it has the type "Recipe".' };
  return {
    name: plain(recipe.name),
    ingredients: recipe.recipeIngredient.map(plain).filter(Boolean).join('\n'),
    steps: recipe.recipeInstructions.flatMap(stepTexts).map(plain).filter(Boolean).join('\n'),
  };
}

/**
 * A recipe as schema.org/Recipe in JSON-LD.
 * @param nameOf the name of what a line uses
 */
export const recipeJsonLd = (
  recipe: Pick<RecipeFiled, 'name' | 'lines' | 'steps' | 'method'>,
  yieldGrams: number,
  nameOf: (uses: RecipeFiled['lines'][number]['uses']) => string,
): object => ({
  '@context': 'https://schema.org',
  '@type': 'Recipe',
  name: recipe.name,
  recipeYield: `${Math.round(yieldGrams)} g`,
  recipeIngredient: recipe.lines.map((line) => {
    const unit = line.unit === 'count' ? '' : ` ${units[line.unit].label}`;
    const more = [line.state, line.note].filter(Boolean).join(', ');
    return `${Number(line.amount.toPrecision(6))}${unit} ${nameOf(line.uses)}${more ? `, ${more}` : ''}`;
  }),
  recipeInstructions: (recipe.steps.length > 0
    ? recipe.steps.map((step) => step.text)
    : recipe.method.split(/\r?\n/).filter((text) => text.trim() !== '')
  ).map((text) => ({ '@type': 'HowToStep', text })),
});
