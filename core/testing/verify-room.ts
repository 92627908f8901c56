import type { Book } from '@usual-pantry/core/book';
import type { Plan } from '@usual-pantry/core/plan';
import { allergens } from '@usual-pantry/core/ingredient';
import { bodyForm, type PieceFiled } from '@usual-pantry/core/piece';
import { sayDay } from '@usual-pantry/core/quantity';

const DAY = 86_400_000;
const at = (day: string): number => Date.parse(day) / DAY;
const dayOf = (number: number): string => new Date(number * DAY).toISOString().slice(0, 10);

/** A stage of finishing as a piece says it: nights after the one before, seconds of hands, what is done. */
interface Stage {
  readonly nights: number;
  readonly seconds: number;
  readonly names: readonly string[];
}

/** The days of finishing that a piece needs, read from its form alone. */
export function stagesOf(piece: PieceFiled): readonly Stage[] {
  const form = bodyForm(piece.form);
  if (form.kind !== 'moulded' || form.stages.length === 0)
    return [{ nights: 0, seconds: piece.handSeconds, names: [] }];
  const days: { nights: number; seconds: number; names: string[] }[] = [];
  let nights = -1;
  for (const { stage, handSeconds, nightsAfter } of form.stages) {
    const last = days.at(-1);
    if (last && nights === 0) {
      last.seconds += handSeconds;
      last.names.push(stage);
    } else days.push({ nights: Math.max(0, nights), seconds: handSeconds, names: [stage] });
    nights = nightsAfter;
  }
  return days;
}

/** Of a part of a piece, what each stage of finishing takes of one, g. */
export function drawnInStages(piece: PieceFiled, role: string, grams: number): number[] {
  const stages = stagesOf(piece);
  const form = bodyForm(piece.form);
  const last = stages.length - 1;
  const only = (at: number) => stages.map((_stage, index) => (index === at ? grams : 0));
  const stageWith = (name: string, other: number) => {
    const found = stages.findIndex(({ names }) => names.includes(name));
    return found < 0 ? other : found;
  };
  if (form.kind !== 'moulded' || form.stages.length === 0) return only(last);
  if (role === 'layer') return only(stageWith('fill', 0));
  if (role !== 'shell') return only(last);
  const { shellPercent, capPercent } = form.shell;
  const shell = only(stageWith('shell', 0)).map((each) => (each * shellPercent) / (shellPercent + capPercent));
  const cap = only(stageWith('cap', last)).map((each) => (each * capPercent) / (shellPercent + capPercent));
  return shell.map((each, index) => each + (cap[index] ?? 0));
}

/** In which kind of cold place a finished piece stands in the night after a day: frozen ones thaw in the fridge for their last nights. */
function placeOf({ stands, thawNights }: PieceFiled, day: string, finished: string, handOver: string): string | null {
  if (!stands || at(day) < at(finished) || at(day) >= at(handOver)) return null;
  return stands.kind === 'freezer' && at(day) >= at(handOver) - thawNights ? 'fridge' : stands.kind;
}

/** Whether the air of a day is warmer or damper than something may have it, by what the kitchen says of the day. */
function isUnfit(day: string, mostCelsius: number | null, mostHumidity: number | null, { kitchen }: Book): boolean {
  const change = kitchen.dayChanges.find((each) => each.day === day);
  if (!change) return false;
  const warm = mostCelsius !== null && (change.roomCelsius ?? -Infinity) > mostCelsius;
  const damp =
    mostHumidity !== null && (change.humidityPercent === null ? change.humid : change.humidityPercent > mostHumidity);
  return warm || damp;
}

/**
 * Checks what a plan says of the room: stages of finishing in their order and on days that suit them, moulds that are held, cold places, closed
 * days, ingredients that can be there. It asks the planner nothing.
 * @returns every rule that is broken, in words; what the plan itself reports is not said again
 */
export function verifyRoom(plan: Plan, book: Book, today: string): string[] {
  const wrong: string[] = [];
  const { kitchen } = book;
  const saidOf = (code: string) =>
    new Set(plan.findings.filter((each) => each.code === code).map(({ about }) => about.id));
  const isClosed = (day: string) => kitchen.closures.some(({ from, to }) => at(from) <= at(day) && at(day) <= at(to));
  const worksOn = (day: string) =>
    !isClosed(day) &&
    (kitchen.benchWeek.length === 0 ||
      (kitchen.dayChanges.find((each) => each.day === day)?.hours ??
        kitchen.benchWeek.find(({ weekday }) => weekday === new Date(`${day}T00:00:00Z`).getUTCDay())?.hours ??
        0) +
        (kitchen.dayChanges.find((each) => each.day === day)?.helperHours ?? 0) >
        0);

  // Stages in their order, each after its nights, on a day on which somebody works and whose air suits it.
  for (const { pieceId, madeOn, handOver, day, work, count } of plan.finishings) {
    const facts = book.pieces.get(pieceId);
    if (!facts) continue;
    const { piece } = facts;
    const key = `${pieceId} for ${handOver}`;
    const stages = stagesOf(piece);
    const isMade = plan.made.some((run) => run.day === madeOn);
    if (!isMade && work.length !== stages.length)
      wrong.push(`${key}: ${String(work.length)} of ${String(stages.length)} stages are planned`);
    if (work.at(-1)?.stage !== stages.length - 1) wrong.push(`${key}: its last stage is missing`);
    if (work.at(-1)?.day !== day) wrong.push(`${key}: is not finished on ${day}`);
    work.forEach((each, index) => {
      const before = work[index - 1];
      const stage = stages[each.stage];
      if (before && (before.stage + 1 !== each.stage || at(each.day) < at(before.day) + (stage?.nights ?? 0)))
        wrong.push(`${key}: stage ${String(each.stage)} on ${each.day} is too soon after ${before.day}`);
      if (at(each.day) < at(today)) wrong.push(`${key}: stage ${String(each.stage)} on ${each.day}, which has passed`);
      if (Math.abs(each.handsMinutes - (count * (stage?.seconds ?? 0)) / 60) > 1e-6)
        wrong.push(`${key}: ${String(each.handsMinutes)} minutes of hands on ${each.day}`);
      if (!isMade && !worksOn(each.day)) wrong.push(`${key}: stage ${String(each.stage)} on ${each.day}, no bench day`);
      const mostCelsius = piece.setsInFridge ? null : piece.air.mostCelsius;
      if (
        isUnfit(each.day, mostCelsius, piece.air.mostHumidityPercent, book) &&
        !saidOf('unfit-air-to-finish').has(pieceId)
      )
        wrong.push(`${key}: finished on ${each.day} in an air that does not suit it`);
      if (
        piece.setsInFridge &&
        isUnfit(each.day, piece.air.mostCelsius, null, book) &&
        !saidOf('set-in-fridge').has(pieceId)
      )
        wrong.push(`${key}: nobody is told to set it in the fridge on ${each.day}`);
    });
  }
  for (const { pieceId, pieceName, day, handOver } of plan.finishings) {
    const piece = book.pieces.get(pieceId)?.piece;
    if (!piece) continue;
    const out = Math.max(at(day), at(handOver) - piece.thawNights);
    if (
      piece.stands?.kind === 'freezer' &&
      piece.thawNights > 0 &&
      out >= at(today) &&
      !saidOf('take-out').has(pieceId)
    )
      wrong.push(`${pieceName} for ${handOver}: nobody is told to take it out of the freezer`);
    if (piece.stands !== null) continue;
    const { mostCelsius, mostHumidityPercent } = piece.keepsAir;
    for (let night = Math.max(at(day), at(today)); night <= at(handOver); night++)
      if (
        isUnfit(dayOf(night), mostCelsius, mostHumidityPercent, book) &&
        !plan.findings.some(
          ({ code, about, message }) =>
            code === 'unfit-air-to-keep' && about.id === pieceId && message.includes(sayDay(dayOf(night))),
        )
      )
        wrong.push(`${pieceName} for ${handOver}: stands over ${dayOf(night)} in an air that does not suit it`);
  }
  for (const { recipeId, recipeName, day } of plan.runs) {
    const recipe = book.recipes.get(recipeId)?.recipe;
    if (!recipe) continue;
    const { mostCelsius, mostHumidityPercent } = recipe.air;
    const mostHumidity = mostHumidityPercent ?? (recipe.hygroscopic ? 50 : null);
    if (isUnfit(day, mostCelsius, mostHumidity, book) && !saidOf('unfit-air').has(recipeId))
      wrong.push(`${recipeName} on ${day}: made in an air that does not suit it`);
    if (isClosed(day)) wrong.push(`${recipeName} on ${day}: the kitchen is closed`);
  }
  for (const { day, packs } of plan.days)
    if (packs.length > 0 && isClosed(day) && at(day) > at(today)) wrong.push(`packed on ${day}: the kitchen is closed`);

  // Moulds of one kind are filled no oftener than they can be, and stand full over night no more than there are.
  const kinds = new Map<string, { there: number; pieces: Set<string> }>();
  for (const { piece } of book.pieces.values()) {
    const form = bodyForm(piece.form);
    if (form.kind !== 'moulded') continue;
    const key = `${String(form.cavities)}/${String(form.cavityMl)}`;
    const owned = kitchen.moulds.filter((each) => `${String(each.cavities)}/${String(each.cavityMl)}` === key);
    const kind = kinds.get(key) ?? { there: 0, pieces: new Set<string>() };
    const there =
      owned.length > 0 ? owned.reduce((sum, { count }) => sum + count, 0) : Math.max(kind.there, form.moulds);
    kinds.set(key, { there, pieces: kind.pieces.add(piece.id) });
  }
  for (const [key, { there, pieces }] of kinds)
    for (const { day } of plan.days) {
      // In turn: work without nuts, with tree nuts, with peanut. The day gives back in a part what was filled in it on another day.
      const full = [0, 0, 0];
      for (const finishing of plan.finishings) {
        const piece = pieces.has(finishing.pieceId) ? book.pieces.get(finishing.pieceId)?.piece : undefined;
        const form = piece && bodyForm(piece.form);
        if (!piece || form?.kind !== 'moulded') continue;
        const whole = (form.cavities / form.cavitiesEach) * (1 - form.breakagePercent / 100);
        const staged = stagesOf(piece).length > 1;
        const taken = finishing.count / (staged ? whole : whole * form.turnsPerDay);
        const codes = book.pieces.get(finishing.pieceId)?.contains ?? [];
        const own = codes.includes('peanut') ? 2 : codes.some((code) => allergens[code].family === 'tree nuts') ? 1 : 0;
        const from = at(finishing.begun) < at(day) ? -1 : at(finishing.begun) > at(day) ? 3 : own;
        const until = at(finishing.day) > at(day) ? 3 : at(finishing.day) < at(day) ? -1 : own;
        full.forEach((_sum, now) => {
          if (staged ? from <= now && now < until : finishing.day === day) full[now] = (full[now] ?? 0) + taken;
        });
      }
      const held = Math.max(...full);
      const reported = [...saidOf('moulds-short')].some((said) => at(said) <= at(day));
      if (held > there + 1e-6 && !reported)
        wrong.push(`${day}: ${String(held)} moulds of ${key}, ${String(there)} are there`);
    }

  // What stands cold over a night finds room.
  for (const kind of ['fridge', 'freezer', 'cool'] as const) {
    const places = kitchen.coldPlaces.filter((each) => each.kind === kind);
    if (places.length === 0) continue;
    const litres = places.reduce((sum, each) => sum + each.litres, 0);
    for (const { day } of plan.days) {
      const over = (from: string, until: string) => at(from) <= at(day) && at(day) < at(until);
      let taken = 0;
      for (const { pieceId, madeOn, begun, day: finished, handOver, count } of plan.finishings) {
        const facts = book.pieces.get(pieceId);
        const body = facts?.parts.find(({ role }) => role === 'body');
        const recipe = book.recipes.get(body?.recipeId ?? '');
        const { stands } = recipe?.recipe ?? {};
        if (body && recipe && stands?.kind === kind && over(madeOn, begun))
          taken += (stands.litres * body.drawnGrams * count) / recipe.yieldGrams;
        if (facts && placeOf(facts.piece, day, finished, handOver) === kind)
          taken += ((facts.piece.stands?.litres ?? 0) * count) / 100;
      }
      const fresh = taken;
      for (const { recipeId, day: made, pegs } of [...plan.made, ...plan.runs]) {
        const facts = book.recipes.get(recipeId);
        const { stands } = facts?.recipe ?? {};
        for (const { role, on, grams } of facts && stands?.kind === kind ? pegs : [])
          if (role !== 'body' && over(made, on)) taken += ((stands?.litres ?? 0) * grams) / (facts?.yieldGrams ?? 1);
      }
      for (const { finishedOn, pegs } of plan.made)
        for (const { role, id, pieces, handOver } of finishedOn === null ? [] : pegs) {
          const piece = book.pieces.get(id)?.piece;
          if (role === 'body' && piece && placeOf(piece, day, finishedOn ?? '', handOver ?? '') === kind)
            taken += ((piece.stands?.litres ?? 0) * pieces) / 100;
        }
      if (taken > litres + 0.01 && fresh > 0 && !saidOf('cold-short').has(day))
        wrong.push(`${day}: ${String(taken)} L in the ${kind}, ${String(litres)} L are there`);
    }
  }

  // Nothing has to be ordered before today, and it comes on a day on which its shop is there.
  for (const { ingredientId, name, packs, buyBy, firstUse } of plan.shopping) {
    if (packs.length === 0) continue;
    if (at(buyBy) < at(today) && !saidOf('buy-late').has(ingredientId))
      wrong.push(`${name}: to be ordered by ${buyBy}, which has passed`);
    for (const { supplier, leadDays } of packs) {
      const weekdays = kitchen.shops.find((shop) => shop.name.toLowerCase() === supplier.toLowerCase())?.weekdays;
      let arrives = at(buyBy) + leadDays;
      while (weekdays && !weekdays.includes(new Date(`${dayOf(arrives)}T00:00:00Z`).getUTCDay())) arrives++;
      if (arrives > at(firstUse))
        wrong.push(`${name}: ordered by ${buyBy} it comes on ${dayOf(arrives)}, after ${firstUse}`);
    }
  }
  return wrong;
}
