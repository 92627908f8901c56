import { toCelsius } from '../quantity/index.js';
import type { NumberKind } from '../recipe/index.js';
import { readNumber } from './number.js';

/** What a temperature is of. */
export type Heat = 'pot' | 'oven';

/** A temperature that a text names, C. */
export interface ReadTemperature {
  readonly celsius: number;
  /** The other end of a window. */
  readonly upToCelsius: number | null;
  readonly kind: NumberKind;
  readonly heat: Heat;
  /** The word that says what is done: `cook`, `cool`, `bake`; empty where none does. */
  readonly verb: string;
  readonly index: number;
  readonly length: number;
  /** What degrees without a scale may be, C, the first one taken; empty where the text says the scale. */
  readonly either: readonly Degrees[];
  /** Whether the text gives both scales and they are not the same temperature. */
  readonly apart: boolean;
}

/** A reading of degrees without a scale. */
export interface Degrees {
  readonly scale: 'C' | 'F';
  readonly celsius: number;
  readonly upToCelsius: number | null;
}

const SIGN = /^\s*(?:°|º|˚|degrees?\b|deg\b\.?)?\s*/i;
const SCALE = /^(?:(?:celsius|centigrade|c|fahrenheit|f)(?![\p{L}\d]))\.?/iu;
const HAS_SIGN = /°|º|˚|deg/i;
const BETWEEN = /^\s*(?:-|–|—|\/|to|and|or)\s*/i;
const SAME_AGAIN = /^\s*(?:\(|\/|,|or|=)\s*/i;

const OVEN_WORDS = 'oven|bake|baked|baking|preheat|preheated|roast|roasted|toast|toasted|broiler|grill';
const COOL_WORDS = 'cool|cools|cooled|cooling|chill|rest|set|drop|drops|falls|below';
const POT_WORDS =
  'cook|cooks|cooked|cooking|boil|boils|boiling|heat|heated|heating|bring|simmer|reaches|reach|registers|reads|melt|melted|temper|tempered|warm|warmed|rewarm|reheat|caramelise|caramelize|thermometer|stir|hold|work|pour|poured|add|spread';
const VERBS = new RegExp(`\\b(?:${OVEN_WORDS}|${COOL_WORDS}|${POT_WORDS})\\b`, 'gi');
const isOven = new RegExp(`^(?:${OVEN_WORDS})$`, 'i');
const LIMIT =
  /\b(?:not?|never|don['’]t|doesn['’]t|without)\b[^.;]{0,40}\b(?:above|over|exceed(?:ing)?|past|hotter|higher|more)\b[^.;]{0,12}$|\b(?:below|under|less than|at most|max(?:imum)?\.?)\s*(?:of\s*)?$/i;
const LEAST = /\b(?:at least|above|over|minimum(?: of)?|not below|no less than)\s*$/i;

/** No pot or room is colder or hotter than this in a confectioner's kitchen, C. */
const COLDEST = -30;
const HOTTEST = 190;

interface Figure {
  readonly from: number;
  readonly to: number | null;
  readonly scale: 'C' | 'F' | null;
  readonly length: number;
}

const scaleOf = (text: string): 'C' | 'F' | null => {
  const found = SCALE.exec(text)?.[0];
  return found === undefined ? null : /^c/i.test(found) ? 'C' : 'F';
};

/** A range has two ends: what follows them is looked at to see that it is none, and no further. */
const MOST_ENDS = 3;

/** One figure or range with its sign and scale: `118 C`, `245–250°F`, `31 °C to 32 °C`, `240 degrees`. */
function figureAt(text: string, ends = 1): Figure | null {
  const number = readNumber(text);
  if (!number || !/^\d/.test(text)) return null;
  let at = number.length;
  const sign = SIGN.exec(text.slice(at))?.[0] ?? '';
  at += sign.length;
  const scale = scaleOf(text.slice(at));
  at += scale === null ? 0 : (SCALE.exec(text.slice(at))?.[0].length ?? 0);
  if (scale === null && !HAS_SIGN.test(sign)) {
    // `31 to 32 C` is read by its second figure where the first has no scale.
    const join = number.upTo === null && ends < MOST_ENDS ? BETWEEN.exec(text.slice(number.length))?.[0] : undefined;
    const second = join === undefined ? null : figureAt(text.slice(number.length + join.length), ends + 1);
    if (join === undefined || !second || second.to !== null || second.from <= number.value || /[,/]/.test(join))
      return null;
    return {
      from: number.value,
      to: second.from,
      scale: second.scale,
      length: number.length + join.length + second.length,
    };
  }
  const first = { from: number.value, to: number.upTo, scale, length: at };
  const join = number.upTo === null && ends < MOST_ENDS ? /^\s*(?:-|–|—|to)\s*/i.exec(text.slice(at))?.[0] : undefined;
  const second = join === undefined ? null : figureAt(text.slice(at + join.length), ends + 1);
  if (join !== undefined && second && second.to === null && second.scale === scale && second.from > number.value)
    return { ...first, to: second.from, length: at + join.length + second.length };
  return first;
}

const inCelsius = (value: number, scale: 'C' | 'F'): number => (scale === 'F' ? toCelsius(value) : value);

/** The readings of degrees without a scale that are possible for what is done. */
function possible(from: number, to: number | null, heat: Heat, verb: string): Degrees[] {
  const range: readonly [number, number] =
    heat === 'oven'
      ? [60, 290]
      : /^(?:melt|melted|temper|tempered)$/i.test(verb)
        ? [15, 65]
        : /^(?:cook|cooks|cooked|cooking|boil|boils|boiling|simmer|caramelise|caramelize)$/i.test(verb)
          ? [95, HOTTEST]
          : [COLDEST, HOTTEST];
  return (['C', 'F'] as const)
    .map((scale) => ({
      scale,
      celsius: inCelsius(from, scale),
      upToCelsius: to === null ? null : inCelsius(to, scale),
    }))
    .filter(({ celsius, upToCelsius }) => celsius >= range[0] && (upToCelsius ?? celsius) <= range[1]);
}

const BARE_LEAD =
  /\b(?:cook|boil|heat|bring|cool|warm|rewarm|melt|temper|caramelise|caramelize|simmer|reach|reaches|reads|registers)\b[^.;\d]{0,40}\b(?:to|at|reach|reaches|reads|registers|about|around)\s+$/i;
const BARE_TAIL = /^\s*(?:$|[,.;)]|(?:until|without|stirring|then|and|before|or|over|on)\b)/i;

/** A bare number that can only be degrees: `boil to 150 until amber`. */
function bareDegrees(text: string, at: number): Figure | null {
  const found = /^\d{2,3}(?:\s*[-–]\s*\d{2,3})?(?![\d.,/]\d)/.exec(text.slice(at))?.[0];
  if (found === undefined || !BARE_LEAD.test(text.slice(0, at)) || !BARE_TAIL.test(text.slice(at + found.length)))
    return null;
  const [from = 0, to = null] = found.split(/\s*[-–]\s*/).map(Number);
  return { from, to, scale: null, length: found.length };
}

const SAME = 3;

const ABOVE_BOILING = /^\s*(?:above|over|higher than)\s+(?:the\s+)?boiling(?:\s+point)?(?:\s+of\s+(?:the\s+)?water)?/i;

/** Reads `10 °F above boiling`: so much above the boiling point of water at sea level. */
function overBoiling({ from, to, scale }: Figure, index: number, length: number): ReadTemperature {
  const celsius = (value: number) => 100 + (scale === 'F' ? (value * 5) / 9 : value);
  const upToCelsius = to === null ? null : celsius(to);
  const kind = to === null ? 'target' : 'window';
  return {
    celsius: celsius(from),
    upToCelsius,
    kind,
    heat: 'pot',
    verb: 'boil',
    index,
    length,
    either: [],
    apart: false,
  };
}

/** Tells whether degrees say how far apart two temperatures are: `take off 1 °C`, `10 °F above boiling`, `within 2 degrees`. */
const isDifference = (before: string, after: string): boolean =>
  /\b(?:take off|subtract|deduct|add(?: on)?|plus|minus|within|by|another|every|each|further|differs? by|off by)\s+(?:about\s+|another\s+)?$/i.test(
    before,
  ) ||
  /^\s*(?:above|below|over|under|higher|lower|more|less|hotter|cooler|warmer|colder|too|off|either|for (?:every|each))\b(?!\s+(?:a|the|medium|low|high)\s+(?:flame|heat|hob|burner))/i.test(
    after,
  );

/**
 * Every temperature that a text names, in its order: of the pot or of the oven, a target, a window, a limit or a minimum. The same one in
 * both scales counts once.
 */
export function readTemperatures(text: string): ReadTemperature[] {
  const found: ReadTemperature[] = [];
  for (let at = 0; at < text.length; at++) {
    const before = text[at - 1];
    if ((before !== undefined && /[\p{L}\d.,/]/u.test(before)) || !/\d/.test(text[at] ?? '')) continue;
    const figure = figureAt(text.slice(at)) ?? bareDegrees(text, at);
    if (!figure) continue;
    // A bare small c may be a cup.
    const own = text.slice(at, at + figure.length);
    if (
      figure.scale !== null &&
      !HAS_SIGN.test(own) &&
      (figure.from < 10 || (figure.from < 25 && !/[CF]\S*$/.test(own)))
    )
      continue;
    const aboveBoiling = ABOVE_BOILING.exec(text.slice(at + figure.length))?.[0];
    if (aboveBoiling !== undefined && figure.scale !== null) {
      found.push(overBoiling(figure, at, figure.length + aboveBoiling.length));
      at += figure.length + aboveBoiling.length - 1;
      continue;
    }
    if (isDifference(text.slice(0, at), text.slice(at + figure.length))) {
      at += figure.length - 1;
      continue;
    }
    const below = /(?:^|[\s(])(?:[-−–]|minus )$/i.test(text.slice(0, at)) ? -1 : 1;
    const { scale, to } = figure;
    const from = below * figure.from;
    let { length } = figure;
    let apart = false;
    const again = SAME_AGAIN.exec(text.slice(at + length))?.[0];
    const other = again === undefined ? null : figureAt(text.slice(at + length + again.length));
    if (again !== undefined && other?.scale && scale !== null && other.scale !== scale) {
      const close = /^\s*\)/.exec(text.slice(at + length + again.length + other.length))?.[0].length ?? 0;
      apart = Math.abs(inCelsius(from, scale) - inCelsius(other.from, other.scale)) > SAME;
      length += again.length + other.length + close;
    }
    const sentence =
      /(?:^|[.;]\s)([^;]*?)$/.exec(text.slice(0, at).replace(/\.(?=\s+[A-Z])/g, ';'))?.[1] ?? text.slice(0, at);
    const verbs = [...sentence.matchAll(VERBS)].map(([word]) => word.toLowerCase());
    const behind = /^[\s-]*(oven)\b/i.exec(text.slice(at + length))?.[1];
    const verb = behind?.toLowerCase() ?? verbs.at(-1) ?? '';
    const heat: Heat = isOven.test(verb) ? 'oven' : 'pot';
    const either = scale === null ? possible(from, to, heat, verb) : [];
    const first = scale === null ? either[0] : undefined;
    const lead = text.slice(0, at);
    const isRange = to !== null;
    found.push({
      celsius: scale === null ? (first?.celsius ?? from) : inCelsius(from, scale),
      upToCelsius: to === null ? null : scale === null ? (first?.upToCelsius ?? to) : inCelsius(to, scale),
      kind: LIMIT.test(lead) ? 'limit' : isRange ? 'window' : LEAST.test(lead) ? 'minimum' : 'target',
      heat,
      verb,
      index: at,
      length,
      either,
      apart,
    });
    at += length - 1;
  }
  return found;
}
