import type { Foaming } from '../cooking/index.js';
import type { IngredientFiled } from '../ingredient/index.js';
import type { MeasureHabit } from '../kitchen/index.js';
import { sayCount, sayGrams, sayMinutes, units } from '../quantity/index.js';
import { proposedSizes, type RecipeDraft, type RecipeStep, type Sized } from '../recipe/index.js';
import { ownOf, type RecipeText } from './recipe-text.js';
import { MOST_LINE, pantryItems, readIngredientLines, readOwnLine, type PantryItem, type ReadLine } from './line.js';
import { partId } from './recipe-text.js';
import { readMeasure } from './measure.js';
import { nameWords } from './names.js';
import { readNumber } from './number.js';
import { keepsIn, readSteps, withoutNumber, type ReadStep } from './steps.js';
import { readTimes } from './times.js';

/** A part of a recipe with lines of its own: the filling, the base. */
export interface ReadPart {
  /** As its heading says it, such as `Filling`; empty for what stands under no heading. */
  readonly name: string;
  readonly lines: readonly ReadLine[];
}

/** What a recipe says of itself as a whole, for the maker to nod at or to drop. */
export interface RecipeReading {
  readonly key: 'makes' | 'makesGrams' | 'restDays' | 'keepsDays' | 'foaming' | 'hands' | 'sizes';
  readonly says: string;
  readonly value: number | Foaming | Sized;
}

/** A whole recipe as it was written and what was understood of it. */
export interface ReadRecipe {
  /** Why the text cannot be read at all; null otherwise. */
  readonly problem: string | null;
  readonly title: string;
  /** The first one is the recipe itself, the others its components. */
  readonly parts: readonly ReadPart[];
  /** Each with the part that it makes, by its place. */
  readonly steps: readonly (ReadStep & { readonly part: number })[];
  readonly readings: readonly RecipeReading[];
  /** What belongs to nothing else: kept as notes. */
  readonly notes: readonly string[];
  /** What this program itself wrote of it. */
  readonly own: Partial<RecipeDraft>;
}

const MARKS = /^\s*(?:#{1,6}\s*|\*\*|__)|(?:\*\*|__)\s*$/g;
const INGREDIENTS = /^(?:the )?(?:ingredients?|you(?:['’]ll| will)? need|what you need|shopping list)\b[^.]{0,20}:?$/i;
const METHOD =
  /^(?:the )?(?:method|directions?|instructions?|steps?|preparation|procedure|how to make (?:it|them)|to make(?: it| them)?|what to do)\s*:?$/i;
const NOTES = /^(?:notes?|tips?|storage|storing|to store|variations?|cook['’]s notes?|nutrition)\b[^.]{0,30}:?$/i;
const MAKES =
  /^(?:makes?|yields?|yield|serves?|servings?|gives?|quantity)\s*(?:[:-]\s*)?(?:(?:about|approx(?:imately|\.)?|around|roughly|ca\.?|~)\s*)?/i;
/** `Prep time: 10 min`, `Total 2 hours`; `Chill overnight.` and `Cook 5 minutes, stirring.` are steps. */
const TIME_ROW =
  /^(?:(?:prep(?:aration)?|cook(?:ing)?|baking|total|chill(?:ing)?|setting|resting|active|hands[- ]on)(?:\s*[:–-]\s*|\s+time\s*(?:[:–-]\s*)?)|(?:prep(?:aration)?|total|active|hands[- ]on)\s+)(?=\d|an? |half|one|two|overnight)/i;
const PART = /^(?:for (?:the |an? )?(.{2,50}?)|to (?:make|finish) the (.{2,40}?)|the (.{2,30}?)):?$/i;
const NUMBERED_STEP = /^\s*(?:step\s*)?\d{1,2}\s*[.):]\s+\p{L}|^\s*step\s+\d{1,2}\b/iu;
const SENTENCE = /[.!]\s*$|[.!]\s+\p{Lu}/u;
const STARTS_WITH_VERB =
  /^(?:in an? |using |meanwhile|then |next|when |once |while |after |to finish|add|arrange|allow|bake|beat|blend|boil|break|bring|brush|butter the(?! size)|carefully|chill|chop|coat|combine|cook|cool|cover|cream the|crush|cut|decorate|dip|dissolve|divide|drain|draw|drizzle|dry|dust|fill|fold|freeze|gently|grease|heat|keep|knead|leave|let|lift|line|lower|melt|mix|place|pour|preheat|press|process|pull|put|reduce|refrigerate|remove|repeat|rest|roast|roll|scald|scatter|score|scrape|separate|serve|set|shake|sift|simmer|slice|smooth|soak|spoon|spread|sprinkle|stand|steep|stir|store|strain|sweeten|take|temper|tip|toast|top|toss|transfer|turn|unmould|warm|wash|weigh|whip|whisk|wipe|work|wrap)\b/i;

const HEADING_WORDS = 6;

type Kind = 'empty' | 'ingredients' | 'method' | 'notes' | 'makes' | 'time' | 'part' | 'line' | 'step' | 'text';

const clean = (line: string): string => line.replace(MARKS, '').trim();

/** A heading of a part in capitals or with a colon, without an amount: `For the filling:`, `GANACHE`, `Filling:`. */
function partName(line: string): string | null {
  const text = clean(line);
  const isMarked = /^\s*(?:#{1,6}\s|\*\*|__)/.test(line);
  const said = /^for (?:the |an? )/i.test(text) ? PART.exec(text) : null;
  if (said && !/[.,]/.test(text)) return (said[1] ?? said[2] ?? said[3] ?? '').trim();
  const isHeading =
    (text.endsWith(':') || isMarked || (text === text.toUpperCase() && /\p{Lu}{3}/u.test(text))) &&
    text.split(/\s+/).length <= HEADING_WORDS &&
    readNumber(text) === null &&
    !/[.,;]/.test(text);
  return isHeading
    ? text
        .replace(/:$/, '')
        .replace(/^(?:for )?the /i, '')
        .trim()
    : null;
}

function kindOf(line: string, inMethod: boolean, habit: MeasureHabit): Kind {
  const text = clean(line);
  if (text === '') return 'empty';
  if (INGREDIENTS.test(text)) return 'ingredients';
  if (METHOD.test(text)) return 'method';
  if (NOTES.test(text)) return 'notes';
  if (MAKES.test(text) && readNumber(text.replace(MAKES, '')) !== null && text.length < 80) return 'makes';
  if (TIME_ROW.test(text) && text.length < 80) return 'time';
  if (partName(line) !== null) return 'part';
  if (NUMBERED_STEP.test(line) && !/^\s*\d{1,2}[.)]\s+\d/.test(line)) return 'step';
  // `1 Boil the sugar`: a number without a point.
  const bare = /^\d{1,2}\s+(?=\p{Lu}\p{Ll})/u.exec(text)?.[0];
  if (bare !== undefined && STARTS_WITH_VERB.test(text.slice(bare.length))) return 'step';
  if (inMethod) return 'step';
  // No line of ingredients is so long.
  const measure = text.length > MOST_LINE ? null : readMeasure(text, habit);
  const isSentence = SENTENCE.test(text) && text.split(/\s+/).length > 5;
  if (
    measure &&
    measure.amount !== null &&
    measure.questions.length === 0 &&
    !STARTS_WITH_VERB.test(withoutNumber(text)) &&
    !isSentence
  )
    return 'line';
  if (STARTS_WITH_VERB.test(withoutNumber(text)) && (text.endsWith('.') || text.split(/\s+/).length > 3)) return 'step';
  return isSentence && (measure === null || measure.amount === null) ? 'step' : 'text';
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1).toLowerCase();

interface Sorted {
  title: string;
  parts: { name: string; lines: string[] }[];
  steps: { text: string; part: string; own: RecipeStep | null }[];
  makes: string[];
  times: string[];
  notes: string[];
}

/** A method in one paragraph: a step for each sentence. */
const sentences = (text: string): string[] =>
  text
    .split(/(?<=[.!])\s+(?=\p{Lu})/u)
    .map((each) => each.trim())
    .filter(Boolean);

/** How long it keeps is no step, when nothing is to be done. */
const isKeeping = (text: string): boolean =>
  keepsIn(text) !== null &&
  sentences(text).length === 1 &&
  (/^keeps?\b/i.test(text) || !STARTS_WITH_VERB.test(withoutNumber(text)));

/** Gives a single line that was taken for a title back to the lines: it may be all there is. */
function withoutLoneTitle(sorted: Sorted): Sorted {
  const nothing = sorted.parts.every((part) => part.lines.length === 0) && sorted.steps.length === 0;
  if (nothing && sorted.title !== '') {
    sorted.parts[0]?.lines.push(sorted.title);
    sorted.title = '';
  }
  return sorted;
}

/** Sorts the lines of a text into title, parts, steps and notes. Nothing is left out. */
function sortLines(text: string, habit: MeasureHabit): Sorted {
  const sorted: Sorted = { title: '', parts: [{ name: '', lines: [] }], steps: [], makes: [], times: [], notes: [] };
  let where: 'start' | 'ingredients' | 'method' | 'notes' = 'start';
  let stepPart = '';
  let isNumbered = false;
  let isHeaded = false;
  const lines = text.split(/\r?\n/);
  const firstLine = lines.findIndex((line) => ['ingredients', 'line'].includes(kindOf(line, false, habit)));
  for (const [index, line] of lines.entries()) {
    const afterBlank = clean(lines[index - 1] ?? '') === '';
    // Before the first ingredient a sentence is no method yet: what follows may still be the list.
    const hasLines = sorted.parts.some((part) => part.lines.length > 0) || isHeaded;
    const kind = kindOf(line, where === 'method' && hasLines, habit);
    const words = clean(line);
    switch (kind) {
      case 'empty':
        break;
      case 'ingredients':
        where = 'ingredients';
        break;
      case 'method':
        where = 'method';
        isHeaded = true;
        break;
      case 'notes':
        where = 'notes';
        if (/[:.]\s*\S/.test(words)) sorted.notes.push(words);
        break;
      case 'makes':
        sorted.makes.push(words);
        break;
      case 'time':
        sorted.times.push(words);
        break;
      case 'part':
        if (where === 'start' && sorted.title === '' && !/:\s*$|^for /i.test(words)) sorted.title = words;
        else if (where === 'method') stepPart = partName(line) ?? '';
        else if (where === 'notes') sorted.notes.push(words);
        else {
          where = 'ingredients';
          sorted.parts.push({ name: capital(partName(line) ?? ''), lines: [] });
        }
        break;
      case 'line':
        if (where === 'notes') sorted.notes.push(words);
        else {
          where = 'ingredients';
          sorted.parts.at(-1)?.lines.push(words);
        }
        break;
      case 'step': {
        // A story before the recipe is no step of it.
        const isStory = index < firstLine && !NUMBERED_STEP.test(line) && !STARTS_WITH_VERB.test(withoutNumber(words));
        if (where === 'notes' || isKeeping(words) || isStory) {
          sorted.notes.push(words);
          break;
        }
        const isNew = afterBlank || NUMBERED_STEP.test(line) || /^\s*[-–•*·]\s+/.test(line);
        const last = sorted.steps.at(-1);
        if (where === 'method' && isNumbered && !isNew && last) last.text = `${last.text} ${words}`;
        else sorted.steps.push({ text: words, part: stepPart, own: null });
        isNumbered ||= NUMBERED_STEP.test(line);
        where = 'method';
        break;
      }
      case 'text':
        if (where === 'start' && sorted.title === '' && words.length <= 80 && sorted.parts.length === 1)
          sorted.title = words;
        else if (where === 'ingredients') sorted.parts.at(-1)?.lines.push(words);
        else sorted.notes.push(words);
        break;
    }
  }
  return withoutLoneTitle(sorted);
}

/** The other parts of a text as what a line can use: `8 oz espresso caramel` is the caramel that stands further down. */
const partItems = (parts: readonly { readonly name: string }[], own: string): PantryItem[] =>
  pantryItems(
    [],
    parts.flatMap(({ name }) => (name === '' || name === own ? [] : [{ id: partId(name), name }])),
  );

/** What a recipe says of how much it makes: `makes 40`. */
function makesReading(text: string): RecipeReading | null {
  const number = readNumber(text.replace(MAKES, ''));
  return number === null ? null : { key: 'makes', says: text.replace(/[.:]$/, ''), value: number.value };
}

/** A mass that a recipe says it makes: `makes about 2 lb`. */
function gramsReading(text: string, habit: MeasureHabit): RecipeReading | null {
  const measure = readMeasure(text.replace(MAKES, ''), habit);
  if (measure.amount === null || measure.unit === null || units[measure.unit].measures !== 'mass') return null;
  const grams = Math.round(measure.amount * units[measure.unit].base);
  return grams > 0 ? { key: 'makesGrams', says: `yields ${sayGrams(grams)}`, value: grams } : null;
}

/** What a recipe says of how much it makes, and its mass once. */
const madeReadings = (rows: readonly string[], habit: MeasureHabit): RecipeReading[] => [
  ...rows.flatMap((row) => makesReading(row) ?? []),
  ...rows.flatMap((row) => gramsReading(row, habit) ?? []).slice(0, 1),
];

/** How long something rests before it can be used, and how long it keeps. */
const lifeReadings = (restDays: number, keeps: number | null | undefined): RecipeReading[] => [
  ...(restDays > 0
    ? [{ key: 'restDays' as const, says: `rests ${sayCount(restDays, 'day')} before it can be used`, value: restDays }]
    : []),
  ...(keeps === undefined || keeps === null
    ? []
    : [{ key: 'keepsDays' as const, says: `keeps ${sayCount(keeps, 'day')}`, value: keeps }]),
];

const sameName = (a: string, b: string): boolean => {
  const plain = (text: string) =>
    text
      .toLowerCase()
      .replace(/^(?:for )?the /, '')
      .replace(/s$/, '')
      .trim();
  return plain(a) === plain(b);
};

/** What is done with all parts together. */
const ASSEMBLES = /^(?:to (?:finish|assemble)|fill|dip|coat|enrobe|assemble|sandwich|cap|seal|pipe)\b/i;

/** Words of a name that a step would use for it. */
const tellingWords = (name: string): string[] => nameWords(name).filter((word) => word.length > 3);

/**
 * Which part a step makes: the one whose heading it stands under, or that it names at its beginning, or the only one whose ingredients it
 * names; else the one of the step before.
 */
function partOf(
  step: { text: string; part: string },
  parts: readonly ReadPart[],
  before: number,
  isLast: boolean,
): number {
  const under = parts.findIndex(({ name }) => name !== '' && sameName(name, step.part));
  if (under >= 0) return under;
  if (step.part !== '' || parts.length < 2) return 0;
  const words = new Set(nameWords(step.text));
  const named = parts.findIndex(
    ({ name }) =>
      name !== '' &&
      tellingWords(name).some((word) => words.has(word)) &&
      /^(?:for|make|prepare)\b/i.test(withoutNumber(step.text)),
  );
  if (named >= 0) return named;
  if (ASSEMBLES.test(withoutNumber(step.text))) return 0;
  const hits = parts.map(
    ({ lines }) => lines.filter(({ name }) => tellingWords(name).some((word) => words.has(word))).length,
  );
  const most = Math.max(...hits);
  const best = hits.flatMap((count, index) => (count === most ? [index] : []));
  if (most > 0 && best.length === 1) return best[0] ?? before;
  return isLast && most === 0 ? 0 : before;
}

/** How what boils behaves in the pot, by what is in it. */
function foamingOf(lines: readonly ReadLine[], ingredients: ReadonlyMap<string, IngredientFiled>): Foaming {
  const used = lines.flatMap(({ found }) => (found?.kind === 'ingredient' ? (ingredients.get(found.id) ?? []) : []));
  const named = lines.filter(isUnknown).map(({ source }) => source);
  if (used.some(({ traits }) => traits.includes('bicarbonate')) || named.some((each) => BICARBONATE.test(each)))
    return 'foams with bicarbonate';
  const isDairy = named.some((each) => DAIRY.test(each) && !NO_DAIRY.test(each));
  return isDairy || used.some(({ contains }) => contains.includes('milk')) ? 'boils with dairy' : 'boils clear';
}

const DAIRY = /\b(?:milk|cream|butter|buttermilk|half[- ]and[- ]half|ghee|yog(?:h)?urt)\b/i;
const NO_DAIRY =
  /\b(?:coconut|almond|oat|soy|soya|rice|cashew|hemp|vegan|plant|dairy[- ]free|peanut|cocoa|apple|nut|seed)[- ](?:milk|cream|butter)\b|\bcream of tartar\b/i;
const BICARBONATE = /\b(?:bicarb(?:onate)?|baking soda)\b/i;

/** What is not in the pantry is told by its name. */
const isUnknown = ({ found }: ReadLine): boolean => found === null;

const SUGAR = /\b(?:sugar|syrup|honey|molasses|treacle)\b/i;

/** Whether sugar or syrup is among lines: as they are written, or by what they were found to be. */
const hasSugar = (lines: readonly ReadLine[], ingredients: ReadonlyMap<string, IngredientFiled>): boolean =>
  lines.some(
    ({ source, found }) =>
      SUGAR.test(source) ||
      (found?.kind === 'ingredient' && (ingredients.get(found.id)?.composition?.sucrose ?? 0) > 90),
  );

/** What a step that was read does to the heat. */
const heatOf = ({ own, text, readings }: ReadStep): Pick<RecipeStep, 'text' | 'effect' | 'target' | 'equipment'> => ({
  text,
  effect: { kind: 'none' },
  target: null,
  equipment: [],
  ...readings.reduce<Partial<RecipeStep>>((all, { patch }) => ({ ...all, ...patch }), {}),
  ...own,
});

/** A recipe of which nothing can be read, and why. */
export const unreadableRecipe = (problem: string): ReadRecipe => ({
  problem,
  title: '',
  parts: [{ name: '', lines: [] }],
  steps: [],
  readings: [],
  notes: [],
  own: {},
});

const asText = ({ name, makes, ingredients, steps, own }: RecipeText): Sorted => ({
  title: name,
  parts: [{ name: '', lines: [...ingredients] }],
  steps: steps.map(({ text, part, step }) => ({ text, part, own: step })),
  // What this program wrote has its yield apart.
  makes: own ? [] : makes.map((text) => `Makes ${text}`),
  times: [],
  notes: [],
});

/** A step that this program wrote: nothing of it is read again. */
const asWritten = (own: RecipeStep): ReadStep => ({
  text: own.text,
  own,
  readings: [],
  questions: [],
  remarks: [],
  boils: own.target?.boils === true,
  restDays: 0,
});

/**
 * Reads a whole recipe as it was written: title, how much it makes, parts with their lines, the method, what keeps and rests.
 * Every line of the text is in one of them, or in `notes`.
 * @param source the text, or a recipe whose parts are told apart already
 * @param habit what a cup and a spoon are where a line does not say
 */
export function readRecipeText(
  source: string | RecipeText,
  pantry: readonly PantryItem[],
  ingredients: readonly IngredientFiled[],
  habit: MeasureHabit,
): ReadRecipe {
  const structured = typeof source === 'string' ? null : source;
  const sorted = typeof source === 'string' ? sortLines(source, habit) : asText(source);
  const filled = sorted.parts.filter(({ lines }) => lines.length > 0);
  // Lines under a single heading are the recipe itself.
  const [first] = filled;
  const kept =
    filled.length < 2
      ? [{ name: '', lines: first?.lines ?? [] }]
      : first?.name === ''
        ? filled
        : [{ name: '', lines: [] }, ...filled];
  const own = structured?.own ?? null;
  const parts = own
    ? [{ name: '', lines: own.lines.map((line) => readOwnLine(line, pantry)) }]
    : kept.map(({ name, lines }) => ({
        name,
        lines: readIngredientLines(lines.join('\n'), [...pantry, ...partItems(kept, name)], habit).filter(
          ({ kind }) => kind === 'line',
        ),
      }));
  const [only] = sorted.steps;
  const written =
    only && sorted.steps.length === 1 && !only.own
      ? sentences(only.text).map((each) => ({ ...only, text: each }))
      : sorted.steps;
  const texts = written.filter(({ text: each }) => !isKeeping(each));
  const notes = [...sorted.notes, ...written.filter(({ text: each }) => isKeeping(each)).map((each) => each.text)];
  let part = 0;
  const steps = texts.flatMap((step, index) => {
    part = partOf(step, parts, part, index === texts.length - 1);
    return step.own ? [{ ...asWritten(step.own), part }] : readSteps(step.text).map((each) => ({ ...each, part }));
  });
  const all = [...notes, ...sorted.makes, ...texts.map((step) => step.text)];
  const keeps = all.map(keepsIn).find((days) => days !== null);
  const last = steps.at(-1);
  const restDays = last?.part === 0 ? last.restDays : 0;
  const lines = parts.flatMap((part) => part.lines);
  const boils = steps.some((step) => step.boils);
  const prep =
    sorted.times.filter((row) => /^(?:prep|active|hands)/i.test(row)).flatMap(readTimes)[0]?.minutes ??
    structured?.prepMinutes;
  const byIngredient = new Map(ingredients.map((each) => [each.id, each]));
  const foaming = foamingOf(lines, byIngredient);
  const proposed = proposedSizes(
    steps.filter((step) => step.part === 0).map(heatOf),
    hasSugar(parts[0]?.lines ?? [], byIngredient),
  );
  const readings = [
    ...madeReadings(sorted.makes, habit),
    ...(boils ? [{ key: 'foaming' as const, says: foaming, value: foaming }] : []),
    ...lifeReadings(restDays, keeps),
    ...(prep ? [{ key: 'hands' as const, says: `${sayMinutes(prep)} of preparation`, value: prep }] : []),
    ...(steps.length > 0 ? [{ key: 'sizes' as const, says: proposed.why, value: proposed.sizes }] : []),
  ] satisfies RecipeReading[];
  return {
    problem: null,
    title: sorted.title,
    parts,
    steps,
    readings: own ? [] : readings,
    notes: [...notes, ...sorted.times],
    own: own ? ownOf(own) : {},
  };
}
