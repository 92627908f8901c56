import type { RecipeFacts } from './book.js';
import { boilsIn } from './heat.js';
import { nightsOf, NIGHT_MINUTES } from './nights.js';
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

/** Measuring goes with the hands: nothing waits for it. */
const inPassing = /thermometer|scale|spoon|spatula|whisk/i;
const oven = /oven/i;

/** A pot in which something is cooked and goes on standing. */
const pot = /\b(?:pot|saucepan|kettle|cauldron)\b/i;
/** What takes the batch out of its pot. */
const LEAVES =
  /\b(?:pour|press|spread|tip|transfer|scrape|ladle|turn (?:it |them )?out|spoon|pipe|deposit|strain|sieve|drop|fill|into (?:a|the) (?:pan|tin|tray|frame|mould|bowl|dish))\b/i;
/** What ends the heat although something has boiled. */
const OFF_HEAT =
  /\b(?:off|from) the heat\b|\bremove\b|\btake (?:it )?off\b|\bcool|\bstand\b|\blukewarm\b|\bset\b|\bharden\b/i;

/** Equipment of each step, the pot of an earlier one among it as long as the batch is in it. */
function equipmentOf(steps: readonly RecipeStep[]): string[][] {
  let standing: string[] = [];
  return steps.map(({ equipment, text }) => {
    const pots = equipment.filter((name) => pot.test(name));
    const named = [...new Set(equipment)].filter((name) => !inPassing.test(name));
    const other = named.some((name) => !pot.test(name));
    if (pots.length > 0) standing = pots;
    else if (other || LEAVES.test(text)) standing = [];
    return [...named, ...standing.filter((name) => !named.includes(name))];
  });
}

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
  const vessels = equipmentOf(steps);
  for (const [index, step] of steps.entries()) {
    const last = index === steps.length - 1;
    const hands = step.handsMinutes * factor;
    const atOnce = followsAtOnce(step);
    const rest = step.rest ? (atOnce ? step.rest.typicalMinutes : step.rest.safeMinutes) : 0;
    const overNight = rest > NIGHT_MINUTES || (last && restDays > 0);
    const stays = overNight ? Infinity : rest;
    for (const name of vessels[index] ?? []) use('equipment', name, hands + stays);
    // What simmers by itself keeps its burner.
    const simmers = step.effect.kind === 'reduce' || !OFF_HEAT.test(step.text);
    if (boilsIn(step)) use('burner', '', hands + (simmers && !overNight ? rest : 0));
    use('hands', '', hands);
    now += hands;
    if (atOnce && !overNight) now += rest;
    else if (rest > 0 && !last) close(overNight ? Infinity : rest);
    if (last) close(restDays > 0 || overNight ? Infinity : atOnce ? 0 : rest);
  }
  if (steps.length === 0) close(restDays > 0 ? Infinity : 0);
  return stretches;
}

/** What is done of a batch on one day. */
export interface DayOfWork {
  /** Nights that the batch rests, by its steps, after the day of work before; 0 for the first one. */
  readonly nightsBefore: number;
  readonly stretches: readonly Stretch[];
  /** Minutes of hands of one batch. */
  readonly handsMinutes: number;
}

const handsIn = (stretches: readonly Stretch[]): number =>
  stretches.reduce(
    (sum, { uses }) => sum + uses.reduce((all, { what, minutes }) => (what === 'hands' ? all + minutes : all), 0),
    0,
  );

const worked = new WeakMap<RecipeFacts, readonly DayOfWork[]>();

/** A batch's stretches by the days on which they are done, together the hands of the recipe: after a night the next one begins. */
export function daysOfWork(facts: RecipeFacts): readonly DayOfWork[] {
  const known = worked.get(facts);
  if (known) return known;
  const nights = facts.recipe.steps.map(nightsOf).filter((count) => count > 0);
  const groups: { nightsBefore: number; stretches: Stretch[] }[] = [{ nightsBefore: 0, stretches: [] }];
  const stretches = stretchesOf(facts);
  stretches.forEach((stretch, index) => {
    groups.at(-1)?.stretches.push(stretch);
    if (stretch.restMinutes === Infinity && index < stretches.length - 1)
      groups.push({ nightsBefore: nights[groups.length - 1] ?? 1, stretches: [] });
  });
  const later = groups.slice(1).reduce((sum, group) => sum + handsIn(group.stretches), 0);
  // What no step says is done at the beginning.
  const days = groups.map((group, index) => ({
    ...group,
    handsMinutes: index === 0 ? facts.recipe.handsMinutes - later : handsIn(group.stretches),
  }));
  worked.set(facts, days);
  return days;
}

/** Nights that a batch rests after the last of its hands. */
export const nightsAfterWork = (facts: RecipeFacts): number => {
  const nights = facts.recipe.steps.map(nightsOf).filter((count) => count > 0);
  return nights.slice(daysOfWork(facts).length - 1).reduce((sum, count) => sum + count, 0);
};

/** From the beginning of one batch until the maker's hands are done with it on that day, the rests in it among them. */
export const workingMinutesOf = (facts: RecipeFacts): number =>
  (daysOfWork(facts)[0]?.stretches ?? []).reduce(
    (sum, { minutes, restMinutes }, index, all) =>
      sum + minutes + (restMinutes === Infinity || index === all.length - 1 ? 0 : restMinutes),
    0,
  );

/** From the beginning of one batch until it can be used on the same day, or rests over night. */
export function leastMinutesOf(facts: RecipeFacts): number {
  const last = daysOfWork(facts)[0]?.stretches.at(-1)?.restMinutes ?? 0;
  return workingMinutesOf(facts) + (last === Infinity ? 0 : last);
}
