import type { Composition, IngredientFiled, Pack } from '../ingredient/index.js';
import type { MeasureHabit } from '../kitchen/index.js';
import { sayGrams, sayMeasure, units, weigh, type Density, type UnitCode } from '../quantity/index.js';
import { fromStart, type RecipeFiled, type RecipeLine } from '../recipe/index.js';
import { readMeasure, type Amount, type Measure } from './measure.js';
import type { OwnLine } from './recipe-text.js';
import { indexNames, matchName, type NameIndex, type Usable } from './names.js';
import { readNumber } from './number.js';
import { readUnit } from './units.js';

/** What the pantry says of something that a line can use. */
export interface PantryItem extends Usable {
  readonly densities: readonly Density[];
  readonly pieceGrams: number | null;
  readonly packs: readonly Pack[];
  readonly composition: Pick<Composition, 'water' | 'fat' | 'protein'> | null;
}

/** Everything in the pantry and every recipe, as a line can name it. */
export const pantryItems = (
  ingredients: readonly IngredientFiled[],
  recipes: readonly Pick<RecipeFiled, 'id' | 'name'>[],
): PantryItem[] => [
  ...ingredients.map((each) => ({ ...each, kind: 'ingredient' as const })),
  ...recipes.map(({ id, name }) => ({
    id,
    name,
    kind: 'recipe' as const,
    densities: [],
    pieceGrams: null,
    packs: [],
    composition: null,
  })),
];

/** What a line can use, without all that the pantry knows of it. */
const nameOnly = ({ kind, id, name }: Usable): Usable => ({ kind, id, name });

/** One pasted line and what was understood of it. */
export interface ReadLine {
  /** As it was pasted. */
  readonly source: string;
  /** A heading or an empty line holds no ingredient. */
  readonly kind: 'line' | 'heading';
  /** The line as it will be stored; null as long as anything of it is asked about. */
  readonly line: RecipeLine | null;
  /** What is sure of it even while something is asked about: what is not sure is null, never a guess. */
  readonly sure: {
    readonly amount: number | null;
    readonly unit: UnitCode | null;
    readonly state: string | null;
    readonly note: string;
  };
  /** Amounts that may be meant, to choose from. */
  readonly either: readonly Amount[];
  /** The name as written, without measure, state and notes. */
  readonly name: string;
  readonly found: Usable | null;
  /** What else the name may mean. */
  readonly candidates: readonly Usable[];
  /** What was taken for granted. */
  readonly remarks: readonly string[];
  /** What must be decided before the line is stored; empty when it is read. */
  readonly questions: readonly string[];
}

/** A way of saying in which state something is measured. */
interface StateWord {
  readonly pattern: RegExp;
  readonly state: string;
  /** Whether it is said of the measure even behind the name: `1 cup sugar, packed`. Else it is done after measuring: `1 cup flour, sifted`. */
  readonly behind: boolean;
}

const stateWords: readonly StateWord[] = [
  { pattern: /\b(?:not|un|lightly|loosely|gently)[ -]?(?:packed|filled)\b/i, state: 'loose', behind: true },
  { pattern: /\b(?:(?:firmly|tightly|well|lightly|gently)[ -])?packed\b/i, state: 'packed', behind: true },
  { pattern: /\b(?:well[ -])?sifted\b/i, state: 'sifted', behind: false },
  { pattern: /\b(?:spooned|spoon and level)\b/i, state: 'spooned', behind: true },
  { pattern: /\b(?:(?:finely|coarsely|roughly|rough|fine|coarse)[ -])?chopped\b/i, state: 'chopped', behind: false },
  { pattern: /\b(?:thinly[ -])?sliced\b/i, state: 'sliced', behind: false },
  { pattern: /\b(?:slivered|flaked)\b/i, state: 'slivered', behind: false },
  { pattern: /\b(?:finely[ -])?ground\b/i, state: 'ground', behind: false },
  { pattern: /\b(?:finely[ -])?grated\b/i, state: 'grated', behind: false },
  { pattern: /\bmelted\b/i, state: 'melted', behind: false },
  { pattern: /\bhal(?:ves|ved)\b/i, state: 'halves', behind: true },
  { pattern: /\bwhole\b/i, state: 'whole', behind: true },
];

/** Preparation that does not change the measure: kept as a note. */
const preparation =
  /\b(?:softened|at room temperature|toasted|roasted|chilled|cubed|diced|crushed|divided|beaten|warmed|shelled|blanched|skinned|peeled|stoned|pitted|drained|rinsed|dried out|lukewarm|optional|to taste|for dusting|for rolling|for coating|for brushing|for the tin|for the pan)\b/gi;

/** A state in the words of this program: `(measured sifted)`. */
const MEASURED = /\s*\(measured ([^)]{1,30})\)/i;

interface Description {
  readonly name: string;
  readonly state: string | null;
  readonly note: string;
}

/** Splits what follows the measure into a name, a state and a note. */
function describe(rest: string, known: (name: string) => boolean): Description {
  const notes: string[] = [];
  const measured = MEASURED.exec(rest)?.[1]?.toLowerCase() ?? null;
  const plain = rest.replace(MEASURED, '').replace(/\(([^)]*)\)/g, (_whole, inner: string) => {
    notes.push(inner.trim());
    return ' ';
  });
  const [head = '', ...tail] = plain.split(
    /\s*[,;]\s*|\s+[–—-]\s+|\s+(?=plus (?:extra|more)\b)|\s+(?=(?:such as|preferably|or)\s)/i,
  );
  notes.unshift(...tail.map((each) => each.trim()).filter(Boolean));
  let text = head.trim();
  let state = measured;
  // A state that belongs to the name in the pantry, such as whole milk, is no state of it.
  const keeps = measured !== null || known(text);
  for (const word of stateWords) {
    const before = !keeps && word.pattern.test(text);
    const behind = word.behind && notes.some((note) => word.pattern.test(note));
    if (!before && !behind) continue;
    state ??= word.state;
    if (before) text = text.replace(word.pattern, ' ');
  }
  if (!keeps)
    text = text.replace(preparation, (found) => {
      notes.push(found);
      return ' ';
    });
  const name = text
    .replace(/\s+/g, ' ')
    .replace(/^(?:of|de) /i, '')
    .trim();
  return { name, state, note: notes.join(', ').slice(0, 200) };
}

/** The amount and unit of a pack: by its written size, or by the only pack of that kind in the pantry. */
function packMeasure(measure: Measure, item: PantryItem | null): Measure {
  const { amount, pack, size } = measure;
  if (amount === null || pack === null) return measure;
  if (size) return { ...measure, amount: amount * size.amount, unit: size.unit, pack: null };
  const packs = item?.packs.filter(({ name }) => name.toLowerCase().includes(pack)) ?? [];
  const [only] = packs;
  if (only && packs.length === 1)
    return {
      ...measure,
      amount: amount * only.amount,
      unit: only.unit,
      pack: null,
      remarks: [
        ...measure.remarks,
        `A ${pack} was read as the pack “${only.name}” of your pantry: ${only.amount} ${units[only.unit].label}.`,
      ],
    };
  return { ...measure, amount: null, unit: null, questions: [...measure.questions, `How much is in a ${pack}?`] };
}

/** Which density applies to a volume, or what must be asked. */
function stateFor(unit: UnitCode, state: string | null, item: PantryItem | null) {
  const plain = { state: null, remarks: [] as string[], questions: [] as string[] };
  if (!item || item.kind === 'recipe') return plain;
  if (units[unit].measures === 'count')
    return item.pieceGrams === null ? { ...plain, questions: [`What does one ${item.name} weigh?`] } : plain;
  if (units[unit].measures !== 'volume') return plain;
  const [first, ...others] = item.densities;
  if (!first) return { ...plain, questions: [`${item.name} has no density: weigh it, or give it one.`] };
  const same = item.densities.find((each) => each.state.toLowerCase() === state);
  if (same) return { ...plain, state: same.state };
  if (state !== null)
    return { ...plain, questions: [`${item.name} has no density for “${state}”: which state is meant?`] };
  return others.length === 0
    ? plain
    : { ...plain, state: first.state, remarks: [`No state is said: taken as ${first.state}.`] };
}

/** No line of a recipe has more of anything, in its own unit. */
const MOST = 1_000_000;
/** Two ways of writing one amount may be this far apart before it is asked which is meant. */
const APART = 1.15;

/**
 * Whether something is poured, so that ounces of it may be fluid: it has water, is no fat, and is neither a cheese nor a condensed milk,
 * which are weighed. What nobody knows the composition of pours when it is measured as it is. Common practice, no source.
 */
function pours(item: PantryItem): boolean {
  if (item.pieceGrams !== null || !item.densities.some(({ state }) => state === 'plain')) return false;
  if (!item.composition) return true;
  const { water, fat, protein } = item.composition;
  return water >= 15 && fat <= 50 && !(protein >= 5 && (fat >= 25 || water < 30));
}

const same = (a: Amount, b: Amount): boolean => a.unit === b.unit && Math.abs(a.amount - b.amount) < 1e-9;

/** An amount in words: `150 g`, `1 1/2 cup`. */
const sayAmount = ({ amount, unit }: Amount): string => sayMeasure(amount, unit);

interface Chosen {
  readonly amount: Amount | null;
  readonly either: readonly Amount[];
  readonly remarks: readonly string[];
  readonly questions: readonly string[];
}

/**
 * Which of several ways of writing one amount is taken: a stated mass, then a stated mL, then the first. Where they are more than 15 %
 * apart it is asked.
 */
function chooseAmount(measure: Measure, item: PantryItem | null, state: string | null): Chosen {
  const none = { remarks: [], questions: [], either: [] };
  if (measure.amount === null || measure.unit === null) return { ...none, amount: null };
  const first = { amount: measure.amount, unit: measure.unit };
  const all = [first, ...measure.others];
  const gramsOf = ({ amount, unit }: Amount): number | null => {
    const weight = weigh(amount, unit, item ?? { densities: [], pieceGrams: null }, unit === 'count' ? null : state);
    return 'grams' in weight ? weight.grams : null;
  };
  const metric = (each: Amount) => each.unit === 'ml' || each.unit === 'l';
  const chosen = all.find(({ unit }) => units[unit].measures === 'mass') ?? all.find(metric) ?? first;
  // Pieces differ: where a mass is said beside their number, it is not compared with it.
  const isWeighed = all.some(({ unit }) => units[unit].measures === 'mass');
  const comparable = all.flatMap((each) => {
    if (isWeighed && each.unit === 'count') return [];
    const grams = gramsOf(each);
    const volume = units[each.unit].measures === 'volume' ? each.amount * units[each.unit].base : null;
    return grams !== null ? [{ each, value: grams }] : volume !== null && !item ? [{ each, value: volume }] : [];
  });
  const values = comparable.map(({ value }) => value);
  if (comparable.length > 1 && Math.max(...values) > APART * Math.min(...values))
    return {
      amount: null,
      either: all,
      remarks: [],
      questions: [
        `${comparable.map(({ each, value }) => `${sayAmount(each)} is ${sayGrams(value)}`).join(', ')}: which is meant?`,
      ],
    };
  return {
    ...none,
    amount: chosen,
    remarks: same(chosen, first) ? [] : [`${sayAmount(chosen)} stands beside ${sayAmount(first)} and was taken.`],
  };
}

/** What is added to an amount in another kind of measure, in grams; asked about where that cannot be weighed. */
function withAdded(chosen: Chosen, plus: readonly Amount[], item: PantryItem | null, state: string | null): Chosen {
  if (plus.length === 0 || !chosen.amount) return chosen;
  const parts = [chosen.amount, ...plus].map(({ amount, unit }) =>
    weigh(amount, unit, item ?? { densities: [], pieceGrams: null }, state),
  );
  const said = [chosen.amount, ...plus].map(sayAmount).join(' plus ');
  if (!parts.every((part) => 'grams' in part))
    return { ...chosen, amount: null, questions: [`${said}: how much is that together?`] };
  const grams = parts.reduce((sum, part) => sum + ('grams' in part ? part.grams : 0), 0);
  return {
    ...chosen,
    amount: { amount: Number(grams.toPrecision(6)), unit: 'g' },
    remarks: [...chosen.remarks, `${said} is ${sayGrams(grams)} together.`],
  };
}

/** Ounces of what is poured may be fluid. */
function ouncesOf(
  { amount }: Chosen,
  item: PantryItem | null,
  habit: MeasureHabit,
): Pick<Chosen, 'either' | 'questions'> {
  if (amount?.unit !== 'oz' || !item || !pours(item)) return { either: [], questions: [] };
  const fluid: UnitCode = habit === 'US' || habit === 'metric' ? 'floz' : 'imperial-floz';
  return {
    either: [amount, { amount: amount.amount, unit: fluid }],
    questions: [`Ounces of ${item.name.toLowerCase()}: by weight, or fluid ounces?`],
  };
}

const BESIDE =
  /(?:\(\s*|,\s*(?=about|approx|ca\b|circa|roughly|around))(?:(?:about|approx(?:imately|\.)?|ca\.?|circa|~|roughly|around)\s*)?([\d½⅓⅔¼¾⅛⅜⅝⅞][^()]*)(?:\)|$)/iu;

/** Finds a mass that stands behind the name: `12 dates (180 g)`, `3 egg whites, about 90 g`. What is counted weighs what is said there. */
function withBeside(measure: Measure, habit: MeasureHabit): Measure {
  if (measure.amount === null || measure.unit === null || measure.pack !== null) return measure;
  const said = BESIDE.exec(measure.rest)?.[1];
  const inside = said === undefined ? null : readMeasure(said, habit);
  if (!inside || inside.amount === null || inside.unit === null || units[inside.unit].measures !== 'mass')
    return measure;
  const isEach = /^(?:each|apiece)\b/i.test(inside.rest.trim());
  if (!isEach && !/^(?:in all|in total|total|altogether|together|net|drained(?: weight)?|shelled|pitted|stoned|peeled)?$/i.test(inside.rest.trim())) return measure; // prettier-ignore
  const amount = isEach && measure.unit === 'count' ? inside.amount * measure.amount : inside.amount;
  return { ...measure, others: [...measure.others, { amount, unit: inside.unit }] };
}

const headingPattern = /^(?:for (?:the )?.{2,60}|[^\d½⅓⅔¼¾⅛⅜⅝⅞]{2,60}):$/iu;

/** A number in a name that no pantry has: it may be an amount that nobody has read. */
const strayNumber = (name: string, isKnown: boolean): boolean =>
  !isKnown && /[\d½⅓⅔¼¾⅛⅜⅝⅞]/u.test(name.replace(/\d+ ?%/g, ''));

const unread = { amount: null, unit: null, state: null, note: '' };

/** No line of ingredients is longer; one that is stays unread and is asked about. */
export const MOST_LINE = 500;
const SHOWN_LINE = 80;

function readOne(source: string, text: string, index: NameIndex<PantryItem>, habit: MeasureHabit): ReadLine {
  const empty = {
    source,
    line: null,
    sure: unread,
    either: [],
    found: null,
    candidates: [],
    remarks: [],
    questions: [],
  };
  if (text.length > MOST_LINE)
    return {
      ...empty,
      kind: 'line',
      name: text.slice(0, SHOWN_LINE),
      questions: [`This line has more than ${String(MOST_LINE)} characters: split it.`],
    };
  if (headingPattern.test(text.trim())) return { ...empty, kind: 'heading', name: text.trim().slice(0, -1) };
  const measure = withBeside(readMeasure(text, habit), habit);
  const { name, state, note } = describe(measure.rest, (words) => matchName(words, index).certain);
  const match = matchName(name, index);
  const item = match.found;
  const packed = packMeasure(measure, item);
  const density =
    packed.unit === null ? { state: null, remarks: [], questions: [] } : stateFor(packed.unit, state, item);
  const chosen = withAdded(chooseAmount(packed, item, density.state ?? state), packed.plus, item, density.state);
  const ounces = measure.pack === null || measure.size ? ouncesOf(chosen, item, habit) : { either: [], questions: [] };
  // What is weighed needs no density.
  const isVolume = chosen.amount !== null && units[chosen.amount.unit].measures !== 'mass';
  const densityQuestions = chosen.amount === null || isVolume ? density.questions : [];
  const remarks = [...packed.remarks, ...chosen.remarks, ...(isVolume ? density.remarks : [])];
  const questions = [...packed.questions, ...chosen.questions, ...ounces.questions, ...densityQuestions];
  if (packed.sheets) questions.push(`Sheets differ: what do they weigh?`);
  if (measure.upTo !== null && chosen.amount !== null)
    remarks.push(`A range, up to ${measure.upTo}: the lower end was taken.`);
  if ((chosen.amount?.amount ?? 0) > MOST) questions.push('That is absurdly much: how much is meant?');
  if (strayNumber(name, item !== null)) questions.push(`“${name}” holds a number: is there more of an amount in it?`);
  if (!item)
    questions.unshift(
      name === '' ? 'No ingredient: what is meant?' : `“${name}” is not in your pantry by that name: which is meant?`,
    );
  else if (!match.certain) remarks.unshift(`“${name}” was taken as ${item.name}.`);
  const stateNote = state !== null && density.state === null ? state : '';
  const doubt = packed.sheets || ounces.questions.length > 0 || (chosen.amount?.amount ?? 0) > MOST;
  const amount =
    chosen.amount === null || doubt || packed.questions.length > 0 ? null : Number(chosen.amount.amount.toPrecision(9));
  const sure = {
    amount,
    unit: amount === null ? null : (chosen.amount?.unit ?? null),
    state: isVolume ? density.state : null,
    note: [stateNote, note].filter(Boolean).join(', '),
  };
  const { unit } = sure;
  const whole = questions.length === 0 && item !== null && amount !== null && unit !== null;
  return {
    source,
    kind: 'line',
    line: whole ? { ...sure, uses: { kind: item.kind, id: item.id }, amount, unit, ...fromStart } : null,
    sure,
    either: [...packed.either, ...chosen.either, ...ounces.either],
    name,
    found: item && nameOnly(item),
    candidates: match.candidates.map(nameOnly),
    remarks,
    questions: whole || questions.length > 0 ? questions : ['How much is meant?'],
  };
}

/** A line that this program wrote: only what its name stands for here is looked up. */
export function readOwnLine({ name, ...own }: OwnLine, pantry: readonly PantryItem[]): ReadLine {
  const { found, certain, candidates } = matchName(name, indexOf(pantry));
  const { amount, unit, state, note } = own;
  const density = stateFor(unit, state?.toLowerCase() ?? null, found);
  const questions = [
    ...(found ? [] : [`“${name}” is not in your pantry by that name: which is meant?`]),
    ...density.questions,
  ];
  return {
    source: [sayMeasure(amount, unit), name, state, note].filter(Boolean).join(', '),
    kind: 'line',
    line: found && questions.length === 0 ? { ...own, uses: { kind: found.kind, id: found.id } } : null,
    sure: { amount, unit, state: questions.length === 0 ? state : null, note },
    either: [],
    name,
    found: found && nameOnly(found),
    candidates: candidates.map(nameOnly),
    remarks: found && !certain ? [`“${name}” was taken as ${found.name}.`] : [],
    questions,
  };
}

const NAMES = /\s*,\s*(?:and\s+)?|\s+(?:and|&)\s+/i;

/**
 * The lines that one line stands for: `1 cup sugar and 2 tbsp butter` is two, `100 g each of sugar and butter` too.
 * @returns the texts, one for each ingredient
 */
function ingredientsIn(text: string, habit: MeasureHabit): string[] {
  const each =
    /^(.*?)\beach(?: of)?\s+(\S.*)$/i.exec(text) ??
    /^(\S|\S.*?\S)[,:]?\s+([\d½⅓⅔¼¾⅛⅜⅝⅞.]\S*(?:\s+\S+){0,2})\s+each\.?$/iu.exec(text);
  if (each?.[1] !== undefined && each[2] !== undefined) {
    const first = readNumber(each[1].trim()) !== null;
    const [amount, names] = first ? [each[1].trim(), each[2]] : [each[2].trim(), each[1]];
    const list = names.split(NAMES).filter(Boolean);
    if (list.length > 1 && readNumber(amount) !== null) return list.map((name) => `${amount} ${name.trim()}`);
  }
  // A second amount with a unit and a name of its own.
  for (const join of text.matchAll(/\s+(?:and|&|\+|plus)\s+|\s*;\s+/gi)) {
    const before = text.slice(0, join.index);
    const after = text.slice(join.index + join[0].length);
    // Within a number, or within a bracket, nothing new begins.
    if (/[\d½⅓⅔¼¾⅛⅜⅝⅞]$/u.test(before) || /[([][^)\]]*$/.test(before)) continue;
    const number = readNumber(after);
    const gap = number ? (/^\s*-?\s*/.exec(after.slice(number.length))?.[0].length ?? 0) : 0;
    const unit = number && readUnit(after.slice(number.length + gap), habit);
    const hasName = /\p{L}{2}/u.test(readMeasure(before, habit).rest);
    const ownName = unit ? after.slice(number.length + gap + unit.length).trim() : '';
    if (!unit || !hasName || !/^(?:of\s+)?\p{L}{2}/u.test(ownName) || /^for\b/i.test(ownName)) continue;
    return [before, ...ingredientsIn(after, habit)];
  }
  return [text];
}

const indexes = new WeakMap<readonly PantryItem[], NameIndex<PantryItem>>();

/** The names of a pantry, made ready once. */
function indexOf(pantry: readonly PantryItem[]): NameIndex<PantryItem> {
  const index = indexes.get(pantry) ?? indexNames(pantry);
  indexes.set(pantry, index);
  return index;
}

/**
 * Reads ingredient lines as people write them, one a line, against the pantry.
 * Nothing is guessed in silence: what was taken for granted is in `remarks`, what cannot be known in `questions`. Empty lines are left out.
 * @param habit what a cup and a spoon are where a line does not say
 */
export function readIngredientLines(text: string, pantry: readonly PantryItem[], habit: MeasureHabit): ReadLine[] {
  const index = indexOf(pantry);
  return text
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .flatMap((line) => {
      const source = line.trim();
      if (source.length > MOST_LINE) return [readOne(source, source, index, habit)];
      // A whole line that is a name of the pantry, such as sugar and spice, is one ingredient.
      const parts = matchName(readMeasure(source, habit).rest, index).certain ? [source] : ingredientsIn(source, habit);
      return parts.map((part) => readOne(parts.length > 1 ? `${source} → ${part}` : source, part, index, habit));
    });
}
