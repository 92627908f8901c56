import type { RecipeFacts } from './book.js';
import { boilsIn } from './heat.js';
import type { RecipeStep } from './schema.js';

/** A use of hands or of a piece of equipment within a stretch, in minutes from its start. */
export interface StretchUse {
  readonly what: 'hands' | 'burner' | 'equipment';
  /** The name of the equipment; empty for hands and burners. */
  readonly name: string;
  readonly offset: number;
  /** Infinity for what stands in it over night. */
  readonly minutes: number;
}

/** What is done of one batch in one go, and how long it then rests by itself. */
export interface Stretch {
  /** From its start until it is done. */
  readonly minutes: number;
  readonly uses: readonly StretchUse[];
  /** Minutes that it rests before the next stretch, or before it is used; Infinity for a rest over night. */
  readonly restMinutes: number;
}

/** A rest that is longer runs into the night: nothing of the same evening waits for it. */
export const NIGHT_MINUTES = 300;

/** Measuring goes with the hands: nothing waits for it. */
const inPassing = /thermometer|scale|spoon|spatula|whisk/i;
const oven = /oven/i;

/** Whether the next step must follow at once: what bakes, what reduces by itself, and what a limit or a window holds. */
const followsAtOnce = ({ equipment, effect, rest }: RecipeStep): boolean =>
  rest?.kind === 'limit' ||
  rest?.kind === 'window' ||
  (rest !== null && effect.kind === 'reduce') ||
  equipment.some((name) => oven.test(name));

/**
 * The steps of one batch as stretches of work with rests between them. The hands that a recipe takes beyond its steps go into weighing
 * out at the beginning; when its steps say more than the recipe as a whole, they are shortened in proportion.
 *
 * @returns at least one; a rest that may wait is as long as is safe to plan for, one that may not as long as it usually is
 */
export function stretchesOf({ recipe }: RecipeFacts): Stretch[] {
  const { steps, handsMinutes, restDays } = recipe;
  const said = steps.reduce((sum, step) => sum + step.handsMinutes, 0);
  const factor = said > handsMinutes ? handsMinutes / said : 1;
  const stretches: Stretch[] = [];
  let uses: StretchUse[] = [];
  let now = 0;
  const use = (what: StretchUse['what'], name: string, minutes: number) => {
    if (minutes > 0) uses.push({ what, name, offset: now, minutes });
  };
  const close = (restMinutes: number) => {
    stretches.push({ minutes: now, uses, restMinutes });
    uses = [];
    now = 0;
  };
  const weigh = Math.max(0, handsMinutes - said);
  use('hands', '', weigh);
  now += weigh;
  for (const [index, step] of steps.entries()) {
    const last = index === steps.length - 1;
    const hands = step.handsMinutes * factor;
    const atOnce = followsAtOnce(step);
    const rest = step.rest ? (atOnce ? step.rest.typicalMinutes : step.rest.safeMinutes) : 0;
    const overNight = rest > NIGHT_MINUTES || (last && restDays > 0);
    const stays = overNight ? Infinity : rest;
    for (const name of new Set(step.equipment)) if (!inPassing.test(name)) use('equipment', name, hands + stays);
    if (boilsIn(step)) use('burner', '', hands + (step.effect.kind === 'reduce' && !overNight ? rest : 0));
    use('hands', '', hands);
    now += hands;
    if (atOnce && !overNight) now += rest;
    else if (rest > 0 && !last) close(overNight ? Infinity : rest);
    if (last) close(restDays > 0 || overNight ? Infinity : atOnce ? 0 : rest);
  }
  if (steps.length === 0) close(restDays > 0 ? Infinity : 0);
  return stretches;
}

/** From the beginning of one batch until the maker's hands are done with it, the rests in it among them; those over night are not. */
export const workingMinutesOf = (facts: RecipeFacts): number =>
  stretchesOf(facts).reduce(
    (sum, { minutes, restMinutes }, index, all) =>
      sum + minutes + (restMinutes === Infinity || index === all.length - 1 ? 0 : restMinutes),
    0,
  );

/** From the beginning of one batch until it can be used on the same day. */
export function leastMinutesOf(facts: RecipeFacts): number {
  const last = stretchesOf(facts).at(-1)?.restMinutes ?? 0;
  return workingMinutesOf(facts) + (last === Infinity ? 0 : last);
}
