import type { KitchenDraft } from '../kitchen/index.js';
import type { PieceFacts } from '../piece/index.js';
import { sayDay, type Day } from '../quantity/index.js';
import type { RecipeFacts } from '../recipe/index.js';
import { oncePer } from '../record/index.js';
import { againstAir, DAMP_FROM_PERCENT, tooDamp, tooWarm, type AirLimit } from '../room/index.js';
import { workDays } from './work-days.js';
import { airOn } from './windows.js';

/** The air that a recipe wants: what draws damp wants a dry room, whether that is said as a number or not. */
export const airOfRecipe = oncePer(({ recipe: { air, hygroscopic } }: RecipeFacts): AirLimit =>
  hygroscopic ? { ...air, mostHumidityPercent: air.mostHumidityPercent ?? DAMP_FROM_PERCENT } : air,
);

const anyAir = ({ mostCelsius, mostHumidityPercent }: AirLimit): boolean =>
  mostCelsius === null && mostHumidityPercent === null;

const suits = (limit: AirLimit, day: Day, kitchen: KitchenDraft): boolean => {
  const air = airOn(day, kitchen);
  return !tooWarm(limit, air) && !tooDamp(limit, air);
};

/** Whether the air lets a batch be begun on a day: on all days on which its hands are at it. */
export function suitsMaking(facts: RecipeFacts, begun: Day, kitchen: KitchenDraft): boolean {
  const limit = airOfRecipe(facts);
  return anyAir(limit) || workDays(facts, begun, kitchen).every(({ day }) => suits(limit, day, kitchen));
}

/** Why the air is against a batch that is begun on a day, as a sentence; null when it is not. */
export function whyNotMadeOn(facts: RecipeFacts, begun: Day, kitchen: KitchenDraft): string | null {
  const limit = airOfRecipe(facts);
  const { name, hygroscopic } = facts.recipe;
  for (const { day } of anyAir(limit) ? [] : workDays(facts, begun, kitchen)) {
    const air = airOn(day, kitchen);
    if (hygroscopic && !tooWarm(limit, air) && tooDamp(limit, air) && air.humidityPercent === null)
      return `${name} draws damp, and ${sayDay(day)} is humid.`;
    const against = againstAir(limit, air);
    if (against !== null) return `${name} on ${sayDay(day)}: ${against}.`;
  }
  return null;
}

/** The air in which a piece is finished; one that is set in the fridge may be finished on a warm day. */
const airOfFinishing = ({ piece: { air, setsInFridge } }: PieceFacts): AirLimit =>
  setsInFridge ? { ...air, mostCelsius: null } : air;

/** Whether the air lets a piece be finished on a day. */
export function suitsFinishing(facts: PieceFacts, day: Day, kitchen: KitchenDraft): boolean {
  const limit = airOfFinishing(facts);
  return anyAir(limit) || suits(limit, day, kitchen);
}

/** Why the air is against finishing a piece on a day, as a sentence; null when it is not. */
export function whyNotFinishedOn(facts: PieceFacts, day: Day, kitchen: KitchenDraft): string | null {
  const against = againstAir(airOfFinishing(facts), airOn(day, kitchen));
  return against === null ? null : `${facts.piece.name} on ${sayDay(day)}: ${against}.`;
}

/** What of a day's air is against a finished piece that stands over it, as the end of a sentence; null when nothing is, or it stands cold. */
export const againstKeeping = (
  { piece: { keepsAir, stands } }: PieceFacts,
  day: Day,
  kitchen: KitchenDraft,
): string | null => (stands === null ? againstAir(keepsAir, airOn(day, kitchen)) : null);

/** Whether a day is too warm for a finished piece that stands over it. */
export const tooWarmToKeep = ({ piece: { keepsAir } }: PieceFacts, day: Day, kitchen: KitchenDraft): boolean =>
  tooWarm(keepsAir, airOn(day, kitchen));

/** Whether a piece that is finished on a day is to be set in the fridge, since the room is too warm for it. */
export const toFridge = ({ piece: { air, setsInFridge } }: PieceFacts, day: Day, kitchen: KitchenDraft): boolean =>
  setsInFridge && tooWarm(air, airOn(day, kitchen));
