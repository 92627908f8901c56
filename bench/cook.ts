import { fitCook, forecastCook, seeded, simulatedCook, sinceChange, straightLine } from '@usual-pantry/core/cooking';
import { share } from './lib/server.js';

/** Prints how well the end of a cook is foretold two minutes before, beside a straight line, and what a fit costs; asserts nothing. */
const COOKS = 200;
const BEFORE = 120;
const say = (text: string) => process.stdout.write(`${text}\n`);

const ours: number[] = [];
const line: number[] = [];
const fits: number[] = [];
let silent = 0;
let inBand = 0;
for (let seed = 0; seed < COOKS; seed++) {
  const cook = simulatedCook(seeded(10_000 + seed), true);
  const read = cook.readings.filter(({ seconds }) => seconds <= cook.targetAt - BEFORE);
  const left = cook.targetAt - (read.at(-1)?.seconds ?? 0);
  const began = performance.now();
  const fit = fitCook(sinceChange(read, cook.changes), cook.setup);
  const forecast = fit && forecastCook(fit, { celsius: cook.target, carryOverKelvin: 0, reactionSeconds: 0 });
  fits.push(performance.now() - began);
  const straight = straightLine(read, cook.target);
  line.push(straight === null ? Infinity : Math.abs(straight - left));
  if (!forecast) {
    silent++;
    ours.push(Infinity);
    continue;
  }
  ours.push(Math.abs(forecast.takeOff.value - left));
  if (left >= forecast.takeOff.low && left <= forecast.takeOff.high) inBand++;
}
const figures = (values: readonly number[]) =>
  `median ${share(values, 0.5).toFixed(1)} s, 90th percentile ${share(values, 0.9).toFixed(1)} s`;
say(
  `${String(COOKS)} simulated cooks with noise and faults, ${String(BEFORE)} s before the target, |foretold - true|:`,
);
say(`  the fitted pot: ${figures(ours)}; ${String(inBand)} of ${String(ours.length)} inside the band`);
say(`  a straight line through the last minute: ${figures(line)}`);
say(`  without a forecast (just after something went in), counted as never right: ${String(silent)}`);
say(`a fit with its forecast: median ${share(fits, 0.5).toFixed(1)} ms, slowest ${share(fits, 1).toFixed(1)} ms`);
