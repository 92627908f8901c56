import { factorFor } from '@usual-pantry/core/making';
import { useState } from 'react';
import { readNumber } from '../parts/readNumber';
import type { Bench } from './useBench';
import { useDevices } from './useDevices';
import { useScale } from './useScale';

/** The rest follows what was poured within so many times what the batch would take. */
const LEAST = 0.05;
const MOST = 20;

/** What is wrong with what was typed, or with what stands on the scale. */
function wrongWeight(typed: string, hasScale: boolean): string {
  if (typed !== '') return `“${typed}” is no weight. Type what it weighs in g, such as 450.`;
  return hasScale ? 'Nothing is on the scale. Weigh it, or type what it weighs.' : 'Type what it weighs, in g.';
}

/** Weighing out: which line is next, what is on the scale of it, and what can be done with it. @param onNext when all is weighed */
export function useWeighing(bench: Bench, onNext: () => void) {
  const { facts, making, sheet, state, happen } = bench;
  const { devices } = useDevices();
  const { net, tare } = useScale(devices.scale !== 'none');
  const [picked, setPicked] = useState<number | null>(null);
  const [typed, setTyped] = useState('');
  const [lots, setLots] = useState<Readonly<Record<number, string | null>>>({});
  const [asks, setAsks] = useState<'lot' | 'else' | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const toWeigh = sheet.lines.filter(({ wanted }) => wanted > 0);
  const line = toWeigh.find((each) => each.line === picked) ?? toWeigh.find(({ weighed }) => weighed === null) ?? null;
  const ingredient = line?.ingredientId ? bench.season.book.ingredients.get(line.ingredientId) : undefined;
  const value = typed.trim() === '' ? net : readNumber(typed);
  const first = ingredient?.lots.map(({ useBy }) => useBy).sort()[0] ?? null;
  const lot = line ? (lots[line.line] === undefined ? first : lots[line.line]) : null;
  const pick = (index: number | null) => {
    setPicked(index);
    setTyped('');
    setAsks(null);
    setTrouble(null);
  };
  const weighed = () => {
    if (!line) {
      onNext();
      return;
    }
    if (value === null || !(value > 0)) {
      setTrouble(wrongWeight(typed.trim(), devices.scale !== 'none'));
      return;
    }
    happen({ kind: 'weighed', line: line.line, grams: value, useBy: lot ?? null });
    tare();
    pick(null);
  };
  const scaleRest = () => {
    if (!line) return;
    if (value === null || !(value > 0)) {
      setTrouble(wrongWeight(typed.trim(), devices.scale !== 'none'));
      return;
    }
    const factor = factorFor(facts, making.size, state, { line: line.line, poured: value });
    if (
      factor === null ||
      factor < LEAST ||
      factor > MOST ||
      making.size * factor < LEAST ||
      making.size * factor > 100
    ) {
      setTrouble('The rest cannot follow that: it would be no batch any more. Weigh it again, or type what it weighs.');
      return;
    }
    happen({ kind: 'scaled', factor });
    weighed();
  };
  const pickLot = (useBy: string | null) => {
    if (line) setLots({ ...lots, [line.line]: useBy });
    setAsks(null);
  };
  return {
    toWeigh,
    line,
    ingredient,
    value,
    net,
    typed,
    setTyped,
    lot,
    trouble,
    asks,
    setAsks,
    tare,
    weighed,
    scaleRest,
    pick,
    pickLot,
  };
}
