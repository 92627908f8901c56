import { z } from 'zod';
import { units, type UnitCode } from '../quantity/index.js';
import { stepSchema, type RecipeFiled } from '../recipe/index.js';
import { ownRecipeSchema, type OwnRecipe, type RecipeText, type TextStep } from '../reading/index.js';

const isRecipe = (type: string): boolean => /^(?:(?:https?:\/\/)?schema\.org\/|schema:)?Recipe$/.test(type);
const texts = z.union([z.string().transform((text) => [text]), z.array(z.unknown())]);
const recipeNode = z.looseObject({
  '@type': z.union([z.string().refine(isRecipe), z.array(z.string()).refine((types) => types.some(isRecipe))]),
  name: z.string().default(''),
  recipeYield: z.unknown().optional(),
  prepTime: z.string().optional().catch(undefined),
  recipeIngredient: texts.optional(),
  /** Superseded by `recipeIngredient`; still written. */
  ingredients: texts.optional(),
  recipeInstructions: z.union([texts, z.looseObject({}).transform((one): unknown[] => [one])]).default([]),
  pantryRecipe: z.unknown().optional(),
});

/** The first node of type Recipe: the value itself, one of a list, one of an @graph, or what a page is about. */
function findRecipe(value: unknown): z.infer<typeof recipeNode> | null {
  const parsed = recipeNode.safeParse(value);
  if (parsed.success) return parsed.data;
  if (typeof value !== 'object' || value === null) return null;
  const { '@graph': graph, mainEntity } = value as { '@graph'?: unknown; mainEntity?: unknown };
  const inner = Array.isArray(value) ? (value as unknown[]) : [graph, mainEntity].flat();
  for (const each of inner) {
    const found = each === undefined ? null : findRecipe(each);
    if (found) return found;
  }
  return null;
}

const named: Readonly<Record<string, string>> = {
  amp: '&',
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  nbsp: ' ',
  deg: '°',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
  ndash: '–',
  mdash: '—',
  rsquo: '’',
  times: '×',
  eacute: 'é',
};

/** The character of a code point; null where there is none. */
const character = (code: number): string | null =>
  code <= 0x10ffff && !(code >= 0xd800 && code <= 0xdfff) ? String.fromCodePoint(code) : null;

/** Text without tags and character references. */
const plain = (text: string): string =>
  text
    .replace(/<[^<>]*>/g, ' ')
    .replace(/&#x([\da-f]{1,6});/gi, (whole, code: string) => character(Number.parseInt(code, 16)) ?? whole)
    .replace(/&#(\d{1,7});/g, (whole, code: string) => character(Number(code)) ?? whole)
    .replace(/&(\w{1,10});/g, (whole, name: string) => (Object.hasOwn(named, name) ? named[name] : undefined) ?? whole)
    .replace(/\s+/g, ' ')
    .trim();

/** A step, a section of steps, or plain text. */
function stepsIn(value: unknown, part: string): TextStep[] {
  if (typeof value === 'string')
    return value
      .replace(/<\/(?:li|p|div)>|<br\s*\/?>/gi, '\n')
      .split(/\r?\n/)
      .map((text) => ({ text: plain(text), part, step: null }))
      .filter(({ text }) => text !== '');
  if (typeof value !== 'object' || value === null) return [];
  const { text, name, itemListElement, pantryStep } = value as Record<string, unknown>;
  const type = (value as Record<string, unknown>)['@type'];
  const isSection =
    type === 'HowToSection' || (Array.isArray(itemListElement) && typeof text !== 'string' && type !== 'HowToStep');
  if (isSection && (Array.isArray(itemListElement) || typeof itemListElement === 'object'))
    return [itemListElement].flat().flatMap((each) => stepsIn(each, typeof name === 'string' ? plain(name) : part));
  const own = stepSchema.safeParse(pantryStep);
  const inner = [itemListElement].flat().flatMap((each) => (each === undefined ? [] : stepsIn(each, part)));
  const words =
    typeof text === 'string'
      ? plain(text)
      : inner.map((each) => each.text).join(' ') || (typeof name === 'string' ? plain(name) : '');
  return words === '' ? [] : [{ text: words, part, step: own.success ? own.data : null }];
}

/** How much it makes: a text, a number, a list, or a quantity with a unit. */
function yieldTexts(value: unknown): string[] {
  if (typeof value === 'number') return [String(value)];
  if (typeof value === 'string') return value.trim() === '' ? [] : [plain(value)];
  if (Array.isArray(value)) {
    const all = (value as unknown[]).flatMap(yieldTexts);
    // `40` and `40 pieces` are one.
    return all.filter((text) => !all.some((other) => other !== text && other.startsWith(`${text} `)));
  }
  if (typeof value !== 'object' || value === null) return [];
  const { value: amount, unitText } = value as { value?: unknown; unitText?: unknown };
  return typeof amount === 'number' || typeof amount === 'string'
    ? [`${amount}${typeof unitText === 'string' ? ` ${unitText}` : ''}`]
    : [];
}

/** Minutes of an ISO 8601 duration such as `PT1H20M`; null for what is none. */
function isoMinutes(text: string | undefined): number | null {
  const found = /^P(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:\d+S)?)?$/.exec(text ?? '');
  if (!found) return null;
  const [, days = '0', hours = '0', minutes = '0'] = found;
  return Number(days) * 1440 + Number(hours) * 60 + Number(minutes);
}

/** Minutes as an ISO 8601 duration. */
const isoDuration = (minutes: number): string => {
  const whole = Math.round(minutes);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return `PT${hours > 0 ? `${hours}H` : ''}${rest > 0 || hours === 0 ? `${rest}M` : ''}`;
};

/**
 * Reads a schema.org/Recipe in JSON-LD, with or without script tags around it.
 * @returns its texts, or what is wrong with it in words
 */
export function readRecipeJsonLd(text: string): RecipeText | { readonly problem: string } {
  const scripts = [...text.matchAll(/<script[^>]*>([\s\S]*?)<\/script>/gi)].map(([, inner = '']) => inner);
  const values: unknown[] = [];
  for (const each of scripts.length > 0 ? scripts : [text.replace(/^\s*<script[^>]*>|<\/script>\s*$/gi, '')]) {
    try {
      values.push(JSON.parse(each));
    } catch {
      return { problem: 'That is no JSON: a bracket, a comma or a quotation mark is wrong or missing.' };
    }
  }
  const recipe = findRecipe(values);
  if (!recipe) return { problem: 'That JSON holds no recipe: nothing in it has the type "Recipe".' };
  const own = ownRecipeSchema.safeParse(recipe.pantryRecipe);
  const lines = (recipe.recipeIngredient ?? recipe.ingredients ?? []).filter((each) => typeof each === 'string');
  return {
    name: plain(recipe.name),
    makes: yieldTexts(recipe.recipeYield),
    prepMinutes: isoMinutes(recipe.prepTime),
    ingredients: lines.map(plain).filter(Boolean),
    steps: recipe.recipeInstructions.flatMap((each) => stepsIn(each, '')),
    own: own.success ? own.data : null,
  };
}

/** Units in words that mean the same wherever they are read. */
const saidUnits: Partial<Record<UnitCode, string>> = {
  tsp: 'US tsp',
  tbsp: 'US tbsp',
  floz: 'US fl oz',
  cup: 'US cup',
  'metric-tbsp': 'metric tbsp',
};

/** A line as text that is read back as the same amount in any habit. */
function sayLine(line: RecipeFiled['lines'][number], name: string): string {
  const unit = line.unit === 'count' ? '' : ` ${saidUnits[line.unit] ?? units[line.unit].label}`;
  const state = line.state === null ? '' : ` (measured ${line.state})`;
  return `${Number(line.amount.toPrecision(9))}${unit} ${name}${state}${line.note ? `, ${line.note}` : ''}`;
}

const tip = (text: string) => ({ '@type': 'HowToTip' as const, text });

/**
 * A recipe as schema.org/Recipe in JSON-LD 1.1. What the standard has no property for stands in terms of our own, as JSON literals.
 * @param nameOf the name of what a line uses
 */
export const recipeJsonLd = (
  recipe: Pick<RecipeFiled, 'name' | 'lines' | 'steps'> & Omit<OwnRecipe, 'lines'>,
  yieldGrams: number,
  nameOf: (uses: RecipeFiled['lines'][number]['uses']) => string,
) => ({
  '@context': [
    'https://schema.org',
    {
      pantryStep: { '@id': 'urn:usual-pantry:step', '@type': '@json' },
      pantryRecipe: { '@id': 'urn:usual-pantry:recipe', '@type': '@json' },
    },
  ] as const,
  '@type': 'Recipe' as const,
  name: recipe.name,
  recipeYield: `${Math.round(yieldGrams)} g`,
  prepTime: isoDuration(recipe.handsMinutes),
  recipeIngredient: recipe.lines.map((line) => sayLine(line, nameOf(line.uses))),
  recipeInstructions:
    recipe.steps.length > 0
      ? recipe.steps.map((step) => {
          const { text, doneWhen, caution, ifWrong, handsMinutes, rest } = step;
          const timed = {
            ...(handsMinutes > 0 ? { performTime: isoDuration(handsMinutes) } : {}),
            ...(rest ? { totalTime: isoDuration(handsMinutes + rest.safeMinutes) } : {}),
          };
          return {
            '@type': 'HowToStep' as const,
            text,
            itemListElement: [
              { '@type': 'HowToDirection' as const, text, ...timed },
              ...(doneWhen ? [tip(`Done when ${doneWhen}`)] : []),
              ...(caution ? [tip(caution)] : []),
              ...(ifWrong ? [tip(`If it goes wrong: ${ifWrong}`)] : []),
            ],
            pantryStep: step,
          };
        })
      : recipe.method
          .split(/\r?\n/)
          .filter((text) => text.trim() !== '')
          .map((text) => ({ '@type': 'HowToStep' as const, text })),
  pantryRecipe: {
    yield: recipe.yield,
    batchSizes: recipe.batchSizes,
    anySize: recipe.anySize,
    handsMinutes: recipe.handsMinutes,
    keepsDays: recipe.keepsDays,
    restDays: recipe.restDays,
    foaming: recipe.foaming,
    grains: recipe.grains,
    hygroscopic: recipe.hygroscopic,
    alcohol: recipe.alcohol,
    method: recipe.method,
    lines: recipe.lines.map(({ uses, ...line }) => ({ ...line, name: nameOf(uses) })),
  },
});
