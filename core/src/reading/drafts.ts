import type { IngredientFiled } from '../ingredient/index.js';
import { sayGrams } from '../quantity/index.js';
import {
  fromStart,
  openRecipeBook,
  recipeDraftSchema,
  type RecipeDraft,
  type RecipeFiled,
  type RecipeLine,
  type Sized,
} from '../recipe/index.js';
import { withSteps } from './goes-in.js';
import { partId } from './recipe-text.js';
import { stepOf } from './steps.js';
import type { ReadRecipe } from './whole.js';

/** What the maker said of a recipe that was read, by the keys of {@link keysOf} and the places of its steps. */
export interface RecipeAnswers {
  /** A line as it was decided; null leaves it out. */
  readonly lines: Readonly<Record<string, RecipeLine | null>>;
  /** Of each step: which choice of each of its questions, which of its readings are not wanted, and the part that it makes. */
  readonly steps: Readonly<Record<string, StepAnswers>>;
  /** Readings of the whole that are not wanted. */
  readonly dropped: readonly string[];
}

export interface StepAnswers {
  readonly choices: readonly (number | null)[];
  readonly dropped: readonly string[];
  readonly part: number | null;
}

export const noAnswers: RecipeAnswers = { lines: {}, steps: {}, dropped: [] };
export const noStepAnswers: StepAnswers = { choices: [], dropped: [], part: null };

/** A key for each of several texts, the same as long as the text is: its place among its equals tells those apart. */
export function keysOf(texts: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return texts.map((text) => {
    const count = seen.get(text) ?? 0;
    seen.set(text, count + 1);
    return `${text}#${count}`;
  });
}

/** The keys of all lines of a recipe, part by part. */
export function lineKeys(read: ReadRecipe): string[][] {
  const keys = keysOf(read.parts.flatMap(({ lines }) => lines.map(({ source }) => source)));
  let from = 0;
  return read.parts.map(({ lines }) => keys.slice(from, (from += lines.length)));
}

export const stepKeys = (read: ReadRecipe): string[] => keysOf(read.steps.map(({ text }) => text));

/** How many lines and steps are still asked about. */
export function openQuestions(read: ReadRecipe, answers: RecipeAnswers): number {
  const keys = lineKeys(read);
  const lines = read.parts.flatMap((part, at) =>
    part.lines.filter(({ questions }, index) => questions.length > 0 && !((keys[at]?.[index] ?? '') in answers.lines)),
  );
  const ofSteps = stepKeys(read);
  const steps = read.steps.filter(({ questions }, index) => {
    const { choices } = answers.steps[ofSteps[index] ?? ''] ?? noStepAnswers;
    return questions.some((question, at) => question.choices.length === 0 || typeof choices[at] !== 'number');
  });
  return lines.length + steps.length;
}

/** A component that a recipe was read with, and the key under which it is to be stored. */
export interface ReadComponent {
  /** The name of the part that it was. */
  readonly part: string;
  readonly id: string;
  readonly draft: RecipeDraft;
}

const slug = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 50);

/** What stood in a text about the recipe as a whole, and was not crossed out, by its key. */
type Said = ReadonlyMap<ReadRecipe['readings'][number]['key'], ReadRecipe['readings'][number]>;

const numberOf = (said: Said, key: 'restDays' | 'keepsDays' | 'hands' | 'makesGrams'): number | null => {
  const found = said.get(key)?.value;
  return typeof found === 'number' ? found : null;
};

const sizesOf = (said: Said): Partial<Sized> => {
  const found = said.get('sizes')?.value;
  return typeof found === 'object' ? found : {};
};

/** The mass that the text says it makes goes before what is worked out. */
const yieldOf = (said: Said): Partial<Pick<RecipeDraft, 'yield'>> => {
  const grams = numberOf(said, 'makesGrams');
  return grams === null ? {} : { yield: { by: 'weighed', grams } };
};

/** The lines of a part, each as it was decided, before the step that names it. */
function linesOf(read: ReadRecipe, answers: RecipeAnswers, part: number, steps: RecipeDraft['steps']): RecipeLine[] {
  const keys = lineKeys(read)[part];
  const lines = (read.parts[part]?.lines ?? []).flatMap((line, index) => {
    const key = keys?.[index] ?? '';
    const decided = key in answers.lines ? answers.lines[key] : line.line;
    return decided ? [{ name: line.name || line.source, line: decided }] : [];
  });
  // What this program wrote says itself when it goes in.
  if (read.own.yield !== undefined) return lines.map(({ line }) => line);
  return withSteps(
    lines,
    steps.map(({ text }) => text),
  );
}

function stepsOf(read: ReadRecipe, answers: RecipeAnswers, part: number): RecipeDraft['steps'] {
  const keys = stepKeys(read);
  return read.steps.flatMap((step, index) => {
    const { choices, dropped, part: chosen } = answers.steps[keys[index] ?? ''] ?? noStepAnswers;
    return (chosen ?? step.part) === part ? [stepOf(step, new Set(dropped), choices)] : [];
  });
}

/** A part of a text as a recipe: its steps say how long hands are needed and what boils. */
function partAsRecipe(
  read: ReadRecipe,
  answers: RecipeAnswers,
  part: number,
  fresh: RecipeDraft,
  said: Said,
): RecipeDraft {
  const steps = stepsOf(read, answers, part);
  const hands = steps.reduce((sum, step) => sum + step.handsMinutes, 0);
  const boils = steps.some(({ target }) => target?.boils === true);
  const foaming = said.get('foaming')?.value;
  return {
    ...fresh,
    lines: linesOf(read, answers, part, steps),
    steps,
    yield: steps.some(({ effect }) => effect.kind === 'cook') ? { by: 'steps' } : fresh.yield,
    handsMinutes: Math.max(fresh.handsMinutes, Math.ceil(hands)),
    foaming: boils && typeof foaming === 'string' ? foaming : fresh.foaming,
    restDays: part === 0 ? fresh.restDays : Math.max(fresh.restDays, nightsAtTheEnd(read, answers, part)),
  };
}

/** A name and a key that nothing has yet; both are taken then. */
function freeName(
  plain: string,
  keys: Set<string>,
  names: Set<string>,
): { readonly id: string; readonly name: string } {
  let [id, name] = [slug(plain) || 'component', plain];
  for (let number = 2; keys.has(id) || names.has(name.toLowerCase()); number++)
    [id, name] = [`${slug(plain)}-${number}`, `${plain} ${number}`];
  keys.add(id);
  return { id, name };
}

/** What the text says of the whole recipe goes before what its steps say. */
function withReadings(main: RecipeDraft, read: ReadRecipe, said: Said): RecipeDraft {
  const notes = [...(said.has('makes') ? [`${said.get('makes')?.says ?? ''}.`] : []), ...read.notes];
  const recipe = {
    ...main,
    method: [main.method, ...notes].filter(Boolean).join('\n').slice(0, 4000),
    restDays: numberOf(said, 'restDays') ?? main.restDays,
    keepsDays: numberOf(said, 'keepsDays') ?? main.keepsDays,
    handsMinutes: Math.max(main.handsMinutes, numberOf(said, 'hands') ?? 0),
    ...sizesOf(said),
    ...yieldOf(said),
    ...read.own,
  };
  return recipeDraftSchema.safeParse(recipe).data ?? recipe;
}

/** What is stored already. */
interface StoredRecipes {
  readonly ingredients: readonly IngredientFiled[];
  readonly recipes: readonly RecipeFiled[];
}

/** Lines with the keys of components in place of those of the parts that they were. */
const linkedTo = (ids: ReadonlyMap<string, string>, lines: readonly RecipeLine[]): RecipeLine[] =>
  lines.map((line) => ({ ...line, uses: { ...line.uses, id: ids.get(line.uses.id) ?? line.uses.id } }));

/** The book with components and a recipe that are still to be stored. */
function bookWith(fresh: readonly RecipeFiled[], { ingredients, recipes }: StoredRecipes) {
  const keys = new Set(fresh.map(({ id }) => id));
  return openRecipeBook(ingredients, [...recipes.filter(({ id }) => !keys.has(id)), ...fresh]).recipes;
}

/** No recipe of a book is called so. */
const READ_NOW = 'read-now';

/** A recipe that says it makes more than goes in keeps the yield that it would have without; what it says stays in its notes. */
function withPossibleYield(
  recipe: RecipeDraft,
  plain: RecipeDraft,
  components: readonly ReadComponent[],
  stored: StoredRecipes,
): RecipeDraft {
  const said = recipe.yield;
  if (said.by !== 'weighed') return recipe;
  const fresh = [...components.map(({ id, draft }) => ({ ...draft, id })), { ...recipe, id: READ_NOW }];
  const raw = bookWith(fresh, stored).get(READ_NOW)?.rawGrams ?? 0;
  if (raw <= 0 || said.grams <= raw) return recipe;
  const doubt = `It says it makes ${sayGrams(said.grams)}, but only ${sayGrams(raw)} goes in. Weigh what you get.`;
  return { ...recipe, yield: plain.yield, method: [recipe.method, doubt].filter(Boolean).join('\n').slice(0, 4000) };
}

/** All of a component, as a line of the recipe that it belongs to. @param all components, of which they may be made */
function wholeOf(
  components: readonly ReadComponent[],
  all: readonly ReadComponent[],
  stored: StoredRecipes,
): RecipeLine[] {
  const keys = new Set(stored.recipes.map(({ id }) => id));
  const fresh = all.filter(({ id }) => !keys.has(id)).map(({ id, draft }) => ({ ...draft, id }));
  const facts = bookWith(fresh, stored);
  return components.map(({ id }) => ({
    uses: { kind: 'recipe', id },
    amount: Number((facts.get(id)?.yieldGrams ?? 1).toPrecision(6)),
    unit: 'g',
    state: null,
    note: '',
    ...fromStart,
  }));
}

/**
 * The recipe, and its components, that a text was read as. Every line must be decided: see {@link openQuestions}.
 * @param fresh what the text says nothing of
 * @param stored what is in the pantry and in the book: components get keys that are free
 * @param made components that were stored before, by the name of their part: they keep their keys
 */
export function recipesOf(
  read: ReadRecipe,
  answers: RecipeAnswers,
  fresh: RecipeDraft,
  stored: StoredRecipes,
  made: Readonly<Record<string, string>> = {},
): { readonly recipe: RecipeDraft; readonly components: readonly ReadComponent[] } {
  const said: Said = new Map(
    read.readings.filter(({ key }) => !answers.dropped.includes(key)).map((each) => [each.key, each]),
  );
  const keys = new Set(stored.recipes.map(({ id }) => id));
  const names = new Set(stored.recipes.map((each) => each.name.toLowerCase()));
  const components = read.parts.flatMap(({ name: part, lines }, at): ReadComponent[] => {
    if (at === 0 || lines.length === 0) return [];
    const before = made[part];
    const { id, name } =
      before !== undefined && keys.has(before)
        ? { id: before, name: part }
        : freeName(read.title ? `${read.title}, ${part.toLowerCase()}` : part, keys, names);
    return [{ part, id, draft: { ...partAsRecipe(read, answers, at, fresh, said), name } }];
  });
  const ids = new Map(components.map(({ part, id }) => [partId(part), id]));
  const linked = components.map((each) => ({
    ...each,
    draft: { ...each.draft, lines: linkedTo(ids, each.draft.lines) },
  }));
  const body = partAsRecipe(read, answers, 0, fresh, said);
  const lines = linkedTo(ids, body.lines);
  // What a line names with its amount is not added as a whole once more.
  const used = new Set([...lines, ...linked.flatMap(({ draft }) => draft.lines)].map(({ uses }) => uses.id));
  const others = linked.filter(({ id }) => !used.has(id));
  const main = { ...body, name: read.title, lines: [...lines, ...wholeOf(others, linked, stored)] };
  return { recipe: withPossibleYield(withReadings(main, read, said), main, linked, stored), components: linked };
}

/** Days that the last step of a part lets it rest. */
function nightsAtTheEnd(read: ReadRecipe, answers: RecipeAnswers, part: number): number {
  const keys = stepKeys(read);
  const last = read.steps.findLast((step, index) => (answers.steps[keys[index] ?? '']?.part ?? step.part) === part);
  return last?.restDays ?? 0;
}
