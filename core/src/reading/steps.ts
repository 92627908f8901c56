import { toCelsius } from '../quantity/index.js';
import type { RecipeStep } from '../recipe/index.js';

const temperature = /(\d{2,3}(?:\.\d)?)\s*(?:°|º|degrees?|deg\.?)?\s*(C|F|Celsius|Fahrenheit)\b/gi;
const COOKS = /\b(?:cook|boil|heat|bring|simmer)/i;
const OVEN = /\b(?:oven|bake|roast|toast)/i;
const minutes = /(\d+)(?:\s*(?:-|–|to)\s*(\d+))?\s*(min(?:ute)?s?|h(?:ou)?rs?|h)\b/i;
const WAITS = /\b(?:cool|rest|set|chill|stand|leave|overnight|mature|age)\b/i;

const SYRUP_FROM = 102;
const SYRUP_TO = 180;

/** All temperatures of a text, C; the same one in both scales counts once. */
function temperaturesIn(text: string): number[] {
  const found = [...text.matchAll(temperature)].map(([, number, scale]) =>
    scale?.toUpperCase().startsWith('F') ? toCelsius(Number(number)) : Number(number),
  );
  return found.filter((celsius, at) => !found.slice(0, at).some((other) => Math.abs(other - celsius) < 2));
}

function restIn(text: string): RecipeStep['rest'] {
  if (!WAITS.test(text)) return null;
  if (/overnight/i.test(text)) return { typicalMinutes: 8 * 60, safeMinutes: 12 * 60, kind: 'minimum' };
  const found = minutes.exec(text);
  if (!found) return null;
  const times = /^h/i.test(found[3] ?? '') ? 60 : 1;
  const from = Number(found[1]) * times;
  return { typicalMinutes: from, safeMinutes: Math.max(from, Number(found[2] ?? found[1]) * times), kind: 'guess' };
}

/**
 * Reads steps, one a line, with the temperatures and waits that they name: a proposal for the maker to correct.
 * A step that cooks a syrup (102 to 180 C, not in the oven) gets that as its target and takes its water off.
 */
export const readSteps = (text: string): RecipeStep[] =>
  text
    .split(/\r?\n/)
    .map((line) => line.replace(/^\s*(?:step\s*)?\d+\s*[.):]\s*|^\s*[-•*]\s*/i, '').trim())
    .filter((line) => line !== '')
    .map((line) => {
      const [celsius] = temperaturesIn(line);
      const oven = OVEN.test(line);
      const boils = celsius !== undefined && !oven && COOKS.test(line) && celsius >= SYRUP_FROM && celsius <= SYRUP_TO;
      return {
        text: line.slice(0, 1000),
        handsMinutes: 0,
        rest: restIn(line),
        growsWithBatch: boils,
        target: celsius === undefined ? null : { celsius, upToCelsius: null, kind: 'target', boils },
        equipment: [],
        doneWhen: '',
        caution: '',
        ifWrong: '',
        effect: boils ? { kind: 'cook' } : { kind: 'none' },
      };
    });
