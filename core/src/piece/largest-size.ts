import { potCheck } from '../cooking/index.js';
import { finding, openWayOut, type Finding, type Subject } from '../finding/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { groupBy } from '../record/index.js';
import {
  FREE_STEP,
  leastSize,
  mostSize,
  worstBoiling,
  type RecipeBook,
  type RecipeFacts,
  type RecipeFiled,
  type Sized,
} from '../recipe/index.js';
import { bodyForm, type PieceFacts } from './makeup.js';
import { heightIn, panOf, sidesOf } from './pans.js';

type Vessels = Pick<KitchenDraft, 'pots' | 'pans'>;

/** The largest size that a vessel of the kitchen takes. */
export interface SizeBound {
  /** Multiple of the base batch. */
  readonly most: number;
  /** The vessel, as the maker calls it. */
  readonly vessel: string;
}

/** What boils must have room to rise in the largest pot. */
function byPot(facts: RecipeFacts, { pots }: Vessels): SizeBound[] {
  const worst = worstBoiling(facts, 1, pots);
  return worst?.largest ? [{ most: worst.largest.litres / worst.needsLitres, vessel: worst.largest.name }] : [];
}

/** What a step does in a pot, a bowl or a mixer that it names must have room in that one. */
function byNamedVessel({ recipe, stepMasses, rawGrams }: RecipeFacts, { pots }: Vessels): SizeBound[] {
  return recipe.steps.flatMap(({ equipment }, at) => {
    const named = pots.filter(({ name }) => equipment.some((each) => each.toLowerCase() === name.toLowerCase()));
    const largest = named.sort((a, b) => b.litres - a.litres)[0];
    const grams = stepMasses[at]?.grams ?? rawGrams;
    return largest && grams > 0
      ? [{ most: largest.litres / potCheck(grams, 'does not boil', []).needsLitres, vessel: largest.name }]
      : [];
  });
}

/** A slab is poured into all the pans that there are of its kind, and no higher than these are deep. */
function byPan(facts: RecipeFacts, pieces: readonly PieceFacts[], { pans }: Vessels): SizeBound[] {
  return pieces.flatMap((each) => {
    const poured = panOf(each, facts, pans);
    if (!poured) return [];
    const { pan, count } = poured;
    const owned = pans.filter(sidesOf(pan)).reduce((sum, same) => sum + same.count, 0);
    const deep = (pan.depthMm / heightIn(pan, facts, count)) * (owned / count);
    // A cut piece is as thick as its slab: another pan is filled, not a fuller one.
    return [
      { most: bodyForm(each.piece.form).kind === 'cut' ? Math.min(deep, owned / count) : deep, vessel: pan.name },
    ];
  });
}

/**
 * The largest size in which a recipe of any size has room in the pots, bowls and pans that it wants.
 * @param pieces those whose body it is
 * @returns null where it has room in its largest size, or not even in its least: then another finding says so
 */
export function largestSize(facts: RecipeFacts, pieces: readonly PieceFacts[], vessels: Vessels): SizeBound | null {
  const { recipe } = facts;
  if (!recipe.anySize || facts.yieldGrams <= 0) return null;
  const bounds = [...byPot(facts, vessels), ...byNamedVessel(facts, vessels), ...byPan(facts, pieces, vessels)];
  const [first, ...others] = bounds;
  if (!first) return null;
  const lowest = others.reduce((low, each) => (each.most < low.most ? each : low), first);
  const most = Math.floor(lowest.most / FREE_STEP + 1e-6) / Math.round(1 / FREE_STEP);
  return most < mostSize(recipe) && most > leastSize(recipe) ? { ...lowest, most } : null;
}

const upTo = (recipe: RecipeFiled, most: number): RecipeFiled => ({ ...recipe, batchSizes: [leastSize(recipe), most] });

/** Recipes as a kitchen makes them. */
interface MadeHere {
  /** None larger than the vessels take. */
  readonly recipes: RecipeBook['recipes'];
  /** Of those that are made smaller than they allow, the sizes as they are written. */
  readonly writtenSizes: ReadonlyMap<string, Sized>;
  /** One for each of them. */
  readonly findings: readonly Finding[];
}

/** The recipes as this kitchen makes them. @param pieces all that are made of them */
export function withLargestSizes(book: RecipeBook, pieces: Iterable<PieceFacts>, vessels: Vessels): MadeHere {
  const bodies = groupBy([...pieces], ({ parts }) => parts.find(({ role }) => role === 'body')?.recipeId ?? '');
  const findings: Finding[] = [];
  const writtenSizes = new Map<string, Sized>();
  const recipes = new Map(
    [...book.recipes].map(([id, facts]): [string, RecipeFacts] => {
      const bound = largestSize(facts, bodies.get(id) ?? [], vessels);
      if (!bound) return [id, facts];
      const { recipe } = facts;
      writtenSizes.set(id, recipe);
      const about: Subject<'recipe'> = { noun: 'recipe', id, name: recipe.name };
      findings.push(
        finding(
          'size-bounded',
          about,
          { most: bound.most, allowed: mostSize(recipe), vessel: bound.vessel },
          { waysOut: [openWayOut(about)] },
        ),
      );
      return [id, { ...facts, recipe: upTo(recipe, bound.most) }];
    }),
  );
  return { recipes, writtenSizes, findings };
}
