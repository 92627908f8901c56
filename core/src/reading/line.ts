import type { IngredientFiled, Pack } from '../ingredient/index.js';
import type { MeasureHabit } from '../kitchen/index.js';
import { units, type Density } from '../quantity/index.js';
import type { RecipeFiled, RecipeLine } from '../recipe/index.js';
import { readMeasure, type Measure } from './measure.js';
import { indexNames, matchName, type NameIndex, type Usable } from './names.js';

/** What the pantry says of something that a line can use. */
export interface PantryItem extends Usable {
  readonly densities: readonly Density[];
  readonly pieceGrams: number | null;
  readonly packs: readonly Pack[];
}

/** Everything in the pantry and every recipe, as a line can name it. */
export const pantryItems = (
  ingredients: readonly IngredientFiled[],
  recipes: readonly Pick<RecipeFiled, 'id' | 'name'>[],
): PantryItem[] => [
  ...ingredients.map((each) => ({ ...each, kind: 'ingredient' as const })),
  ...recipes.map(({ id, name }) => ({ id, name, kind: 'recipe' as const, densities: [], pieceGrams: null, packs: [] })),
];

/** One pasted line and what was understood of it. */
export interface ReadLine {
  /** As it was pasted. */
  readonly source: string;
  /** A heading or an empty line holds no ingredient. */
  readonly kind: 'line' | 'heading';
  /** The line as it will be stored; its ingredient is empty and its amount 1 where that must be asked. */
  readonly line: RecipeLine | null;
  /** The name as written, without measure, state and notes. */
  readonly name: string;
  readonly found: Usable | null;
  /** What else the name may mean. */
  readonly candidates: readonly Usable[];
  /** What was taken for granted. */
  readonly remarks: readonly string[];
  /** What must be settled before the line is stored; empty when it is read. */
  readonly questions: readonly string[];
}

/** Words that say in which state something is measured. */
const stateWords: readonly (readonly [pattern: RegExp, state: string])[] = [
  [/\b(?:(?:firmly|tightly|well)[ -])?packed\b/i, 'packed'],
  [/\b(?:(?:lightly|loosely)[ -])(?:packed|filled)\b/i, 'loose'],
  [/\b(?:well[ -])?sifted\b/i, 'sifted'],
  [/\b(?:(?:finely|coarsely|roughly|rough|fine|coarse)[ -])?chopped\b/i, 'chopped'],
  [/\b(?:thinly[ -])?sliced\b/i, 'sliced'],
  [/\b(?:slivered|flaked)\b/i, 'slivered'],
  [/\b(?:finely[ -])?ground\b/i, 'ground'],
  [/\b(?:finely[ -])?grated\b/i, 'grated'],
  [/\bmelted\b/i, 'melted'],
  [/\bhal(?:ves|ved)\b/i, 'halves'],
  [/\bwhole\b/i, 'whole'],
];

/** Preparation that does not change the measure: kept as a note. */
const preparation =
  /\b(?:softened|at room temperature|toasted|roasted|chilled|cubed|diced|crushed|divided|beaten|warmed|shelled|blanched|skinned|peeled|stoned|pitted|drained|rinsed|dried out|lukewarm|optional|to taste|for dusting|for rolling|for coating|for the tin|for the pan)\b/gi;

interface Description {
  readonly name: string;
  readonly state: string | null;
  readonly note: string;
}

/** Splits what follows the measure into a name, a state and a note. */
function describe(rest: string, known: (name: string) => boolean): Description {
  const notes: string[] = [];
  let text = rest.replace(/\(([^)]*)\)/g, (_whole, inner: string) => {
    notes.push(inner.trim());
    return ' ';
  });
  const [head = '', ...tail] = text.split(
    /\s*[,;]\s*|\s+[–—-]\s+|\s+(?=plus (?:extra|more)\b)|\s+(?=(?:such as|preferably|or)\s)/i,
  );
  text = head;
  notes.unshift(...tail.map((each) => each.trim()).filter(Boolean));
  const whole = `${head} ${notes.join(' ')}`;
  let state: string | null = null;
  // A state that belongs to the name in the pantry, such as whole milk, is no state of it.
  const keeps = known(text.trim());
  for (const [pattern, name] of stateWords) {
    if (!pattern.test(keeps ? notes.join(' ') : whole)) continue;
    state ??= name;
    if (!keeps) text = text.replace(pattern, ' ');
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
function packMeasure(
  measure: Measure,
  item: PantryItem | null,
): Pick<Measure, 'amount' | 'unit' | 'remarks' | 'questions'> {
  const { amount, pack, size } = measure;
  if (amount === null || pack === null) return measure;
  if (size) return { ...measure, amount: amount * size.amount, unit: size.unit };
  const packs = item?.packs.filter(({ name }) => name.toLowerCase().includes(pack)) ?? [];
  const [only] = packs;
  if (only && packs.length === 1)
    return {
      ...measure,
      amount: amount * only.amount,
      unit: only.unit,
      remarks: [
        ...measure.remarks,
        `A ${pack} was read as the pack “${only.name}” of your pantry: ${only.amount} ${units[only.unit].label}.`,
      ],
    };
  return { ...measure, unit: null, questions: [...measure.questions, `How much is in a ${pack}?`] };
}

/** Which density applies to a volume, or what must be asked. */
function stateFor(unit: RecipeLine['unit'], state: string | null, item: PantryItem | null) {
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

const headingPattern = /^(?:for (?:the )?.{2,60}|[^\d½⅓⅔¼¾⅛⅜⅝⅞]{2,60}):$/iu;

function readOne(source: string, index: NameIndex<PantryItem>, habit: MeasureHabit): ReadLine {
  const empty = { source, line: null, name: '', found: null, candidates: [], remarks: [], questions: [] };
  if (headingPattern.test(source.trim())) return { ...empty, kind: 'heading', name: source.trim().slice(0, -1) };
  const measure = readMeasure(source, habit);
  const { name, state, note } = describe(measure.rest, (text) => matchName(text, index).certain);
  const match = matchName(name, index);
  const packed = packMeasure(measure, match.found);
  const unit = packed.unit ?? 'g';
  const density =
    packed.unit === null ? { state: null, remarks: [], questions: [] } : stateFor(unit, state, match.found);
  const remarks = [...packed.remarks, ...density.remarks];
  const questions = [...packed.questions, ...density.questions];
  if (measure.upTo !== null && packed.amount !== null)
    remarks.push(`A range, up to ${measure.upTo}: the lower end was taken.`);
  if ((packed.amount ?? 0) > MOST) questions.push('That is absurdly much: how much is meant?');
  if (!match.found)
    questions.unshift(
      name === '' ? 'No ingredient: what is meant?' : `“${name}” is not in your pantry by that name: which is meant?`,
    );
  else if (!match.certain) remarks.unshift(`“${name}” was taken as ${match.found.name}.`);
  const stateNote = state !== null && density.state === null ? state : '';
  return {
    source,
    kind: 'line',
    line: {
      uses: { kind: match.found?.kind ?? 'ingredient', id: match.found?.id ?? '' },
      amount:
        packed.amount !== null && packed.amount > 0 && packed.amount <= MOST ? Number(packed.amount.toPrecision(9)) : 1,
      unit,
      state: density.state,
      note: [stateNote, note].filter(Boolean).join(', '),
      afterCook: false,
    },
    name,
    found: match.found,
    candidates: match.candidates,
    remarks,
    questions,
  };
}

/**
 * Reads ingredient lines as people write them, one a line, against the pantry.
 * Nothing is guessed in silence: what was taken for granted is in `remarks`, what cannot be known in `questions`. Empty lines are left out.
 * @param habit what a cup and a spoon are where a line does not say
 */
export function readIngredientLines(text: string, pantry: readonly PantryItem[], habit: MeasureHabit): ReadLine[] {
  const index = indexNames(pantry);
  return text
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .map((line) => readOne(line.trim(), index, habit));
}
