import { stages } from '../cooking/index.js';
import { sayMinutes, sayTemperature } from '../quantity/index.js';
import { boilWord, mostStepCharacters, stepSchema, type RecipeStep } from '../recipe/index.js';
import { readTemperatures, type Degrees, type ReadTemperature } from './temperatures.js';
import { readTimes, vagueTime, type ReadTime } from './times.js';

/** Something that a step says, for the maker to nod at or to drop. */
export interface StepReading {
  /** Which part of the step it fills: no two readings of one step have the same. */
  readonly key: 'target' | 'rest' | 'hands' | 'done' | 'caution' | 'equipment';
  /** In words: `waits 2 to 3 h`. */
  readonly says: string;
  readonly patch: Partial<RecipeStep>;
}

/** What a step leaves open. */
export interface StepQuestion {
  readonly text: string;
  readonly choices: readonly { readonly label: string; readonly readings: readonly StepReading[] }[];
}

/** One step as it was written and what was understood of it. */
export interface ReadStep {
  readonly text: string;
  /** The step itself, where this program wrote it. */
  readonly own: RecipeStep | null;
  readonly readings: readonly StepReading[];
  readonly questions: readonly StepQuestion[];
  /** What was not understood or is no more than a hint. */
  readonly remarks: readonly string[];
  /** Whether something boils in it. */
  readonly boils: boolean;
  /** Days that the text lets it rest, when the step comes last. */
  readonly restDays: number;
}

const WAIT_WORDS =
  /^(?:cool|cools|cooled|cooling|rest|rests|resting|set|sets|setting|chill|chills|chilled|stand|stands|leave|leaves|left|mature|age|steep|infuse|infuses|soak|soaked|refrigerate|refrigerated|freeze|frozen|dries|drying|harden|firm|let|allow|overnight|ripen|bloom|wait|keep|fridge|refrigerator|freezer)$/i;
const HAND_WORDS =
  /^(?:cook|cooks|cooked|boil|boils|simmer|simmers|heat|stir|stirring|beat|beating|whisk|whisking|whip|knead|mix|fold|pour|pull|work|hold|melt|caramelise|caramelize|reduce|process|blend|bring|roll|dip|temper)$/i;
const OVEN_WORDS = /^(?:bake|bakes|baked|roast|roasted|toast|toasted|oven)$/i;
const VERBS = /\p{L}+/gu;

/** Sugar cooks from here to there, C. */
const SYRUP_FROM = 102;
const SYRUP_TO = 190;
const DAY = 24 * 60;
/** From this long a wait goes over night. */
const NIGHTLY = 10 * 60;

/** A time of one piece is not the batch's. */
const EACH = /^\s*(?:each|a piece|per \p{L}+|on each side|a side)\b/iu;

/** Blanks words that only seem to say that something waits: the mixture leaves the sides, a fork is left standing. */
const withoutIdioms = (text: string): string =>
  text.replace(
    /\b(?:leaves?|left)\s+(?:the\s+)?(?:sides?|pan|pot|bowl|spoon)\b|\b(?:it|that is|what is|all that is) left\b|\bset over\b|\bset aside\b/gi,
    (words) => ' '.repeat(words.length),
  );

type Doing = 'waits' | 'hands' | 'oven';

/** What is done for a time: by the nearest word before it, or the first one behind it. */
function doingOf(text: string, { index, length, isNight }: ReadTime): Doing | null {
  if (isNight) return 'waits';
  const isOnStove = /\b(?:dry pan|frying pan|skillet|saucepan|stove|hob)\b/i.test(text) && !/\boven\b/i.test(text);
  const kind = (word: string): Doing | null =>
    OVEN_WORDS.test(word)
      ? isOnStove
        ? 'hands'
        : 'oven'
      : WAIT_WORDS.test(word)
        ? 'waits'
        : HAND_WORDS.test(word)
          ? 'hands'
          : null;
  const start = Math.max(text.lastIndexOf('. ', index), text.lastIndexOf('; ', index), 0);
  // `without stirring` says what is not done.
  const lead = withoutIdioms(text.slice(start, index).replace(/\b(?:without|not|never|no)\s+\p{L}+/giu, ' '));
  const before = [...lead.matchAll(VERBS)].map(([word]) => kind(word)).filter((each) => each !== null);
  // `let it simmer` is no wait: what follows the word counts.
  const last = before.at(-1);
  if (last) return last;
  for (const [word] of withoutIdioms(text.slice(index + length)).matchAll(VERBS)) {
    const found = kind(word);
    if (found) return found;
  }
  return null;
}

const sayRange = (from: number, to: number): string =>
  from === to ? sayMinutes(from) : `${sayMinutes(from)} to ${sayMinutes(to)}`;

/** `until deep amber`, `to the soft-ball stage`: how it looks when it is done. */
function doneWhenIn(text: string, temperatures: readonly ReadTemperature[]): string {
  const found: string[] = [];
  for (const each of text.matchAll(
    /\b(?:until|till|'til)\s+(?=\S)([^.;]+?)(?=[.;]|,\s{1,3}(?:then|and then|remove|pour|about|stirring|whisking)|\sthen\b|$)/gi,
  )) {
    let clause = each[1] ?? '';
    const start = each.index + each[0].length - clause.length;
    for (const { index, length } of [...temperatures, ...readTimes(text)].sort((a, b) => b.index - a.index)) {
      const at = index - start;
      if (at >= 0 && at < clause.length) clause = clause.slice(0, at) + clause.slice(at + length);
    }
    clause = clause
      .replace(/\b(?:an?|the|your) (?:\p{L}+[- ])?thermometer\b/giu, 'thermometer')
      .replace(
        /\b(?:it|the \p{L}+|thermometer|mixture|syrup)?\s*(?:reaches|registers|reads|shows|comes to|gets to|is at)\s*(?:(?:about|around)\s*)?(?=$|[,)]|and\b|or\b)/giu,
        '',
      )
      .replace(/\(\s*\)/g, '')
      .replace(/^[\s,]*(?:and|or)\b\s*/i, '')
      .replace(/[\s,]+$/, '')
      .replace(/[\s,](?:and|or|at|to|about)$/i, '')
      .replace(/[\s,]+$/, '')
      .trim();
    if (
      /\p{L}{3}/u.test(clause) &&
      !/^(?:it|needed|required|ready to use|the (?:next|following) (?:day|morning)|next (?:day|morning))$/i.test(clause)
    )
      found.push(clause);
  }
  const ball = /\b(?:to|at)\s+(?:the\s+|a\s+)?((?:soft|firm|hard)[- ](?:ball|crack)|thread|caramel)\s+stage\b/i.exec(
    text,
  )?.[1];
  if (ball !== undefined && found.length === 0) found.push(`${ball.replace('-', ' ').toLowerCase()} stage`);
  const colour =
    /\b(?:to|into)\s+(?:a|an)\s+((?:\p{L}+[- ]){0,2}(?:amber|gold|golden|brown|mahogany|copper)(?:\s+\p{L}+)?)\b/iu.exec(
      text,
    )?.[1];
  if (colour !== undefined && found.length === 0) found.push(colour);
  return found.join('; ').slice(0, 300);
}

/** A target as a reading; it cooks when sugar does at it. */
function targetReading(
  { kind, verb }: Pick<ReadTemperature, 'kind' | 'verb'>,
  { celsius, upToCelsius }: Pick<Degrees, 'celsius' | 'upToCelsius'>,
): StepReading {
  const cools =
    /^(?:cool|cools|cooled|cooling|chill|rest|set|drop|drops|falls|below|melt|melted|warm|warmed|temper|tempered|pour|poured|add|spread)$/.test(
      verb,
    );
  const boils = celsius >= SYRUP_FROM && celsius <= SYRUP_TO && !cools;
  const said = sayTemperature(upToCelsius === null ? celsius : [celsius, upToCelsius]);
  return {
    key: 'target',
    says: `${boils ? 'cooks' : 'goes'} to ${said}${kind === 'target' || kind === 'window' ? '' : `, a ${kind}`}`,
    patch: {
      target: { celsius, upToCelsius, kind, boils },
      ...(boils ? { effect: { kind: 'cook' as const }, growsWithBatch: true } : {}),
    },
  };
}

const sayDegrees = ({ scale, celsius, upToCelsius }: Degrees): string =>
  `${scale}: ${sayTemperature(upToCelsius === null ? celsius : [celsius, upToCelsius], 0, scale)}`;

/** Reads the temperatures of one step: one target, limits as cautions, the oven's apart. */
function heatIn(text: string, temperatures: readonly ReadTemperature[]) {
  const readings: StepReading[] = [];
  const questions: StepQuestion[] = [];
  const remarks: string[] = [];
  const pot = temperatures.filter(({ heat }) => heat === 'pot');
  const oven = temperatures.filter(({ heat }) => heat === 'oven');
  const limits = pot.filter(({ kind }) => kind === 'limit');
  const [target] = [...pot.filter(({ kind }) => kind !== 'limit'), ...limits];
  const isOven = oven.length > 0 || /\boven\b|\b(?:bake|roast)\b/i.test(text);
  if (isOven)
    readings.push({
      key: 'equipment',
      says: ['in the oven', ...oven.slice(0, 1).map(({ celsius }) => `at ${sayTemperature(celsius)}`)].join(' '),
      patch: { equipment: ['oven'] },
    });
  const [without] = oven.filter(({ either }) => either.length > 1);
  if (without) remarks.push(`The oven's degrees have no scale: ${without.either.map(sayDegrees).join(' or ')}.`);
  if (target?.apart)
    questions.push({ text: 'The two scales do not say the same temperature: correct the text.', choices: [] });
  else if (target && target.either.length === 1) {
    const [only] = target.either;
    if (only) {
      readings.push(targetReading(target, only));
      remarks.push(`Degrees without a scale: only ${only.scale} is possible here.`);
    }
  } else if (target && target.either.length > 1)
    questions.push({
      text: 'Degrees of which scale?',
      choices: target.either.map((each) => ({ label: sayDegrees(each), readings: [targetReading(target, each)] })),
    });
  else if (target && (target.celsius > SYRUP_TO || target.celsius < -30))
    questions.push({
      text: `${sayTemperature(target.celsius)} is not possible in a pot: correct the text.`,
      choices: [],
    });
  else if (target) readings.push(targetReading(target, target));
  const cautions = limits
    .filter((each) => each !== target)
    .map(({ celsius }) => `Not above ${sayTemperature(celsius)}.`);
  if (cautions.length > 0)
    readings.push({ key: 'caution', says: cautions.join(' '), patch: { caution: cautions.join(' ') } });
  return { readings, questions, remarks, hasTarget: target !== undefined, isOven };
}

/** Without the sentences that say how long the finished thing keeps. */
const withoutKeeping = (text: string): string =>
  text
    .split(/(?<=[.;])\s+/)
    .filter((sentence) => keepsIn(sentence) === null)
    .join(' ');

/** Reads the times of one step: what the hands take, and what only the clock does. */
function timesIn(text: string) {
  const readings: StepReading[] = [];
  const questions: StepQuestion[] = [];
  const times = readTimes(text);
  const sorted = times
    .filter(({ index, length }) => !EACH.test(text.slice(index + length)))
    .map((time) => ({ time, doing: doingOf(text, time) }));
  const waits = sorted.filter(({ doing }) => doing === 'waits' || doing === 'oven').map(({ time }) => time);
  const bakes = sorted.some(({ doing }) => doing === 'oven');
  const hands = sorted
    .filter(({ doing }) => doing === 'hands')
    .reduce((sum, { time }) => sum + (time.minutes + time.upTo) / 2, 0);
  const from = waits.reduce((sum, { minutes }) => sum + minutes, 0);
  const to = waits.reduce((sum, { upTo }) => sum + upTo, 0);
  const rest = (
    typicalMinutes: number,
    safeMinutes: number,
    kind: NonNullable<RecipeStep['rest']>['kind'],
  ): StepReading => ({
    key: 'rest',
    says: waits.some(({ isNight }) => isNight)
      ? 'waits overnight'
      : `${bakes ? 'bakes' : 'waits'} ${sayRange(typicalMinutes, safeMinutes)}`,
    patch: { rest: { typicalMinutes, safeMinutes, kind } },
  });
  const isLeast = waits.some(({ bound }) => bound === 'least');
  if (waits.length > 0)
    readings.push(
      rest(
        from,
        to,
        bakes ? 'window' : isLeast ? 'minimum' : waits.some(({ bound }) => bound === 'most') ? 'limit' : 'guess',
      ),
    );
  const work = (minutes: number): StepReading => ({
    key: 'hands',
    says: `${sayMinutes(minutes)} of hands`,
    patch: { handsMinutes: minutes },
  });
  if (hands > 0) readings.push(work(Math.max(1, Math.round(hands))));
  for (const { time, doing } of sorted)
    if (doing === null)
      questions.push({
        text: `${sayRange(time.minutes, time.upTo)}: of waiting, or of the hands?`,
        choices: [
          { label: 'it waits', readings: [rest(time.minutes, time.upTo, 'guess')] },
          { label: 'it takes the hands', readings: [work(Math.max(1, Math.round((time.minutes + time.upTo) / 2)))] },
        ],
      });
  const remarks = vagueTime.test(text)
    ? [`“${vagueTime.exec(text)?.[0] ?? ''}” is no time: say how long, if it matters.`]
    : [];
  const restDays = waits.some(({ isNight }) => isNight)
    ? Math.max(1, Math.ceil(to / DAY))
    : to >= NIGHTLY
      ? Math.max(1, Math.round(from / DAY))
      : 0;
  return { readings, questions, remarks, restDays, waits: waits.length > 0 };
}

/** `Keeps in a tin for three weeks`: how long the finished thing keeps, days; null where a text says nothing of it. */
export function keepsIn(text: string): number | null {
  if (!/\b(?:keeps?|stored?|shelf life|use within|eat within|best within)\b/i.test(text)) return null;
  const [time] = readTimes(text).filter(({ upTo }) => upTo >= 2 * DAY);
  return time ? Math.floor(time.upTo / DAY) : null;
}

function readStep(text: string): ReadStep {
  const temperatures = readTemperatures(text);
  const heat = heatIn(text, temperatures);
  const times = timesIn(withoutKeeping(text));
  const done = doneWhenIn(text, temperatures);
  const readings = [...heat.readings, ...times.readings];
  const questions = [...heat.questions, ...times.questions];
  const boils = boilWord(text) !== null;
  if (boils && !heat.hasTarget)
    readings.unshift({
      key: 'target',
      says: 'boils',
      patch: { target: { celsius: 100, upToCelsius: null, kind: 'target', boils: true }, growsWithBatch: true },
    });
  const stage = heat.hasTarget
    ? undefined
    : stages.find(
        ({ name }) =>
          done.toLowerCase().replace(/-/g, ' ').includes(`${name} stage`) ||
          (new RegExp(`\\b${name.replace(' ', '[- ]')}\\b`, 'i').test(text) &&
            /\bstage\b|\bball\b|\bcrack\b/i.test(text)),
      );
  if (stage)
    questions.push({
      text: `No temperature is said; the ${stage.name} stage lies at ${sayTemperature([stage.from, stage.to])}.`,
      choices: [
        {
          label: `to ${sayTemperature([stage.from, stage.to])}`,
          readings: [targetReading({ kind: 'window', verb: 'cook' }, { celsius: stage.from, upToCelsius: stage.to })],
        },
        { label: 'by eye alone', readings: [] },
      ],
    });
  if (done) readings.push({ key: 'done', says: `done when ${done}`, patch: { doneWhen: done } });
  const tooMuch = readings.filter(({ patch }) => !stepSchema.safeParse({ text: 'Do', ...patch }).success);
  for (const { says } of tooMuch) heat.remarks.push(`“${says}” is more than a step can hold: it stays in the text.`);
  if (/\b(?:simmer|reduce)\b/i.test(text) && !readings.some(({ patch }) => patch.effect))
    heat.remarks.push('Water goes off here: weigh what is left and set it as the yield.');
  return {
    text,
    own: null,
    readings: readings.filter((each) => !tooMuch.includes(each)),
    questions,
    remarks: [...heat.remarks, ...times.remarks],
    boils: boils || readings.some(({ patch }) => patch.target?.boils === true),
    restDays: times.restDays,
  };
}

/** Where one step with several targets is parted: a step has one target. */
function partsOf(text: string): string[] {
  const all = readTemperatures(text).filter(({ heat, kind }) => heat === 'pot' && kind !== 'limit');
  // What has boiled and then cools is two steps too.
  const boil = boilWord(text);
  const cools = boil && all.find(({ index, celsius }) => index > boil.index && celsius < 95);
  const boiled = boil && cools && all[0] === cools ? [boil] : [];
  const targets = [...boiled, ...all];
  const cuts: number[] = [];
  for (const [index, next] of targets.entries()) {
    const before = targets[index - 1];
    if (!before) continue;
    const from = before.index + before.length;
    const gap = text.slice(from, next.index);
    const joins = [...gap.matchAll(/[,;.)]\s+|\s+(?:and then|then|and)\s+/gi)];
    // Words that only say how high it is may not be parted from it.
    const join = joins.findLast((each) => /\p{L}{3}/u.test(gap.slice(each.index + each[0].length)));
    if (join) cuts.push(from + join.index + join[0].length);
  }
  return [0, ...cuts].map((start, index, all) =>
    text
      .slice(start, all[index + 1])
      .trim()
      .replace(/[,;]$/, '')
      .replace(/\s+(?:and then|then|and)$/i, '')
      .replace(/^(?:and then|then|and)\s+/i, '')
      .replace(/^\p{Ll}/u, (letter) => letter.toUpperCase()),
  );
}

const NUMBERED = /^\s*(?:step\s*)?\d{1,2}\s*[.):]\s+|^\s*step\s+\d{1,2}\s*[-–:.]?\s*|^\s*[-–•*·]\s+/i;

/** A line of a method without its number. */
export const withoutNumber = (line: string): string =>
  line
    .replace(NUMBERED, '')
    .replace(/^\s*\d{1,2}\s+(?=\p{Lu}\p{Ll}+\s)/u, '')
    .trim();

/** A capital at its head may be a letter longer than what it was. */
const LONGEST = mostStepCharacters - 10;

/** A line that is longer than a step may be, parted behind its sentences, or where it must be: nothing of it is lost. */
function withinLimit(line: string): string[] {
  const parts: string[] = [];
  let rest = line;
  while (rest.length > LONGEST) {
    const head = rest.slice(0, LONGEST);
    const sentence = Math.max(...['. ', '! ', '; '].map((end) => head.lastIndexOf(end) + 1));
    const at = sentence > 0 ? sentence : head.lastIndexOf(' ') > 0 ? head.lastIndexOf(' ') : LONGEST;
    parts.push(rest.slice(0, at).trim());
    rest = rest.slice(at).trim();
  }
  return [...parts, rest].filter((part) => part !== '');
}

/**
 * Reads steps, one a line: their temperatures with what they mean, waits, minutes of the hands, what boils, and how one sees that it is
 * done. A step with several targets becomes several steps, and so does one that is longer than a step may be. Each reading is a proposal for the maker to nod at.
 */
export const readSteps = (text: string): ReadStep[] =>
  text
    .split(/\r?\n/)
    .map(withoutNumber)
    .filter((line) => line !== '')
    .flatMap(withinLimit)
    .flatMap(partsOf)
    .map(readStep);

/**
 * A step as it will be stored. What is more than a step can hold is left in its text.
 * @param dropped keys of the readings that the maker does not want
 * @param answers which choice was taken of each question, by its place
 */
export function stepOf(
  read: ReadStep,
  dropped: ReadonlySet<string> = new Set(),
  answers: readonly (number | null)[] = [],
): RecipeStep {
  if (read.own) return read.own;
  const chosen = read.questions.flatMap(({ choices }, index) => choices[answers[index] ?? -1]?.readings ?? []);
  return [...read.readings.filter(({ key }) => !dropped.has(key)), ...chosen].reduce<RecipeStep>(
    (step, { patch }) => stepSchema.safeParse({ ...step, ...patch }).data ?? step,
    stepSchema.parse({ text: read.text }),
  );
}
