import { clamp } from 'es-toolkit';
import { stageAt } from '../cooking/index.js';
import { sayNumber } from '../quantity/index.js';
import type { PracticePot } from './pot.js';

/** What a practised batch would have been, and how well it was done. */
export interface Debrief {
  /** 0 to 100. */
  readonly score: number;
  readonly verdict: string;
  /** What was good, and what to do otherwise, the most important first. */
  readonly points: readonly string[];
  /** When it was to be taken off, and when it was, s from the beginning; null when it never came there. */
  readonly dueAt: number | null;
  readonly offAt: number;
}

/** Within this of its target nothing is wrong, K; each further costs so much. */
const RIGHT = 1.5;
const PER_KELVIN = 9;
/** A room damper than this makes sugar sticky, percent. Common practice, no source. */
const DAMP = 60;
const SPOILED = 0.6;

/**
 * Looks back on a practised cook.
 * @param pot as it was taken off
 * @param highest how hot it still got, C
 * @param dueAt when it was at its target less the carry-over, s
 * @param offAt when it was taken off, s
 */
export function debriefOf(pot: PracticePot, highest: number, dueAt: number | null, offAt: number): Debrief {
  const { setup, crystals, scorched, separated, boiledOver } = pot;
  const isDamp = setup.humidity > DAMP;
  // In a damp room a degree or two more keeps it from getting sticky.
  const target = setup.target + (isDamp ? 1.5 : 0);
  const off = highest - target;
  const seaLevel = highest + (100 - setup.waterBoils);
  const stage = stageAt(seaLevel) ?? 'no stage of sugar yet';
  const lost = Math.max(0, Math.abs(off) - RIGHT) * PER_KELVIN;
  const points = [
    ...(boiledOver ? ['It boiled over: a pot must hold its foam, or the flame must be lower while it foams.'] : []),
    ...(scorched > SPOILED
      ? ['It scorched on the bottom: above 118 C it must be stirred at least once a minute.']
      : []),
    ...(separated > SPOILED
      ? ['Fat and sugar parted: it warmed too fast, or something cold went in all at once.']
      : []),
    ...(crystals > SPOILED ? ['It grained: a clear syrup is not stirred once it boils.'] : []),
    ...(off > RIGHT
      ? [`Taken off ${sayNumber(off, 1)} K too hot: the pot goes on by itself, so take it off before.`]
      : []),
    ...(off < -RIGHT ? [`Taken off ${sayNumber(-off, 1)} K too soon: it will be softer than it should.`] : []),
    ...(setup.faults.includes('probe on the bottom')
      ? ['The bulb touched the pot and read too high: it must hang free.']
      : []),
    ...(isDamp ? ['The room was damp: a degree or two higher keeps it from getting sticky.'] : []),
    ...(setup.faults.includes('power too low')
      ? ['The flame was too weak: a slow cook darkens before it is there.']
      : []),
    ...(Math.abs(off) <= RIGHT ? ['Its temperature is right.'] : []),
  ];
  const spoiled = [boiledOver, scorched > SPOILED, separated > SPOILED, crystals > SPOILED].filter(Boolean).length;
  return {
    score: Math.round(clamp(100 - lost - 30 * spoiled, 0, 100)),
    verdict:
      spoiled > 0
        ? `Spoiled; it came to ${stage}.`
        : `It came to ${stage}${Math.abs(off) <= RIGHT ? ', as it should' : ''}.`,
    points,
    dueAt,
    offAt,
  };
}
