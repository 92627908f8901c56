import type { Book } from '@usual-pantry/core/book';
import { boxFor, isOpen, type OrderFiled } from '@usual-pantry/core/order';
import type { Plan } from '@usual-pantry/core/plan';
import { bodyForm, piecesPerBatch } from '@usual-pantry/core/piece';
import { drawnInStages, stagesOf, verifyRoom } from './verify-room.js';
import type { RecipeFiled } from '@usual-pantry/core/recipe';

const DAY = 86_400_000;
const at = (day: string): number => Date.parse(day) / DAY;
const weekdayOf = (day: string): number => new Date(`${day}T00:00:00Z`).getUTCDay();

/** Minutes that the rules allow the maker on a day, overtime included. */
function allowed(day: string, book: Book): number {
  const { benchWeek, dayChanges, overtimeMinutes, closures } = book.kitchen;
  if (closures.some(({ from, to }) => at(from) <= at(day) && at(day) <= at(to))) return overtimeMinutes;
  if (benchWeek.length === 0) return Infinity;
  const change = dayChanges.find((each) => each.day === day);
  const usual = benchWeek.find((each) => each.weekday === weekdayOf(day))?.hours ?? 0;
  return (change?.hours ?? usual) * 60 + overtimeMinutes;
}

/** The day on which something comes from its shop that is ordered on a day, both as numbers. */
function comesOn(
  { supplier, leadDays }: { readonly supplier: string; readonly leadDays: number },
  orderedOn: number,
  { kitchen: { shops } }: Book,
): number {
  const weekdays = shops.find((shop) => shop.name.toLowerCase() === supplier.toLowerCase())?.weekdays;
  let day = orderedOn + leadDays;
  while (weekdays && !weekdays.includes(new Date(day * DAY).getUTCDay())) day++;
  return day;
}

/** One of the listed sizes; or, of any size, a hundredth between the least and the largest. */
function isAllowed(size: number, { batchSizes, anySize }: Pick<RecipeFiled, 'batchSizes' | 'anySize'>): boolean {
  if (batchSizes.includes(size)) return true;
  const isStep = Math.abs(size * 100 - Math.round(size * 100)) < 1e-6;
  return anySize && isStep && size > Math.min(...batchSizes) && size < Math.max(...batchSizes);
}

/**
 * Checks a plan against the rules of the trade, from the orders up, without asking the planner anything. It knows only what a plan says
 * that is done: which batches on which day, which pieces finished when, for which hand-over.
 * @returns every rule that is broken, in words; what the plan itself reports as left out is not asked for
 */
export function verifyPlan(plan: Plan, book: Book, orders: readonly OrderFiled[], today: string): string[] {
  const wrong: string[] = verifyRoom(plan, book, today);
  const { kitchen } = book;
  const leftOut = new Set(plan.findings.filter(({ code }) => code === 'too-late').map(({ about }) => about.id));
  const kept = orders.filter((order) => isOpen(order) && !leftOut.has(order.id));

  // Each piece of each open order is finished once, for its day, in its window.
  const wanted = new Map<string, number>();
  for (const order of orders) {
    if (!isOpen(order) || order.state === 'packed' || leftOut.has(order.id)) continue;
    for (const line of order.lines)
      for (const cell of boxFor(order, line, book)?.facts.box.cells ?? [])
        if (cell) {
          const key = `${cell.pieceId} ${order.handOver.on}`;
          wanted.set(key, (wanted.get(key) ?? 0) + cell.count * line.count);
        }
  }
  for (const [key, count] of wanted) {
    const [pieceId = '', handOver = ''] = key.split(' ');
    const done = plan.finishings.filter((each) => each.pieceId === pieceId && each.handOver === handOver);
    // What was finished already is no work any more, but it is there.
    const there = plan.made
      .filter(({ finishedOn }) => finishedOn !== null)
      .flatMap(({ pegs }) => pegs)
      .filter((use) => use.role === 'body' && use.id === pieceId && use.handOver === handOver)
      .reduce((sum, { pieces }) => sum + pieces, 0);
    const made = done.reduce((sum, each) => sum + each.count, there);
    if (made < count) wrong.push(`${key}: ${String(made)} of ${String(count)} pieces are made`);
    const facts = book.pieces.get(pieceId);
    const bodyId = facts?.parts.find(({ role }) => role === 'body')?.recipeId ?? '';
    const body = book.recipes.get(bodyId)?.recipe;
    if (!facts || !body) continue;
    for (const { madeOn, day, begun } of done) {
      const isFact = plan.made.some(({ recipeId, day: on }) => recipeId === bodyId && on === madeOn);
      if (at(day) < at(today)) wrong.push(`${key}: finished on ${day}, which has passed`);
      if (at(madeOn) < at(today) && !isFact) wrong.push(`${key}: made on ${madeOn}, which has passed`);
      if (at(begun) < at(madeOn) + body.restDays) wrong.push(`${key}: finished on ${begun} before its body has rested`);
      if (at(day) > at(handOver) - kitchen.packingLeadDays && !isFact)
        wrong.push(`${key}: finished on ${day}, too late to be packed`);
      if (at(madeOn) + facts.keepsDays < at(handOver) + kitchen.promisedDays)
        wrong.push(`${key}: made on ${madeOn}, too old for its promise`);
    }
  }

  // Nothing is finished, packed or labelled for an order that is left out, unless another wants the same.
  const ownDays = new Set(kept.map((order) => order.handOver.on));
  for (const { pieceId, handOver, madeOn } of plan.finishings)
    if (!wanted.has(`${pieceId} ${handOver}`))
      wrong.push(`${pieceId} made on ${madeOn} for ${handOver}: nobody wants it`);
  for (const { boxName, handOver } of plan.labels)
    if (!ownDays.has(handOver)) wrong.push(`labels of ${boxName} for ${handOver}: nobody gets them`);

  // Every box of an order is packed once.
  const boxes = new Map<string, number>();
  for (const order of kept)
    for (const line of order.state === 'packed' ? [] : order.lines) {
      const key = `${line.boxId} for ${order.handOver.on}`;
      boxes.set(key, (boxes.get(key) ?? 0) + line.count);
    }
  for (const [key, count] of boxes) {
    const [boxId, handOver] = key.split(' for ');
    if (!book.boxes.get(boxId ?? '')?.pieces.every(({ pieceId }) => book.pieces.has(pieceId))) continue;
    const packed = plan.days
      .flatMap(({ packs }) => packs)
      .filter((pack) => pack.boxId === boxId && pack.handOver === handOver)
      .reduce((sum, pack) => sum + pack.count, 0);
    if (packed !== count) wrong.push(`${key}: ${String(packed)} of ${String(count)} are packed`);
  }

  // Nothing is packed before it is finished.
  for (const { day, packs } of plan.days)
    for (const pack of packs) {
      if (!ownDays.has(pack.handOver)) wrong.push(`${pack.boxName} for ${pack.handOver}: packed for nobody`);
      const inside = new Set(book.boxes.get(pack.boxId)?.pieces.map(({ pieceId }) => pieceId));
      for (const each of plan.finishings)
        if (inside.has(each.pieceId) && each.handOver === pack.handOver && at(each.day) > at(day))
          wrong.push(
            `${pack.boxName} for ${pack.handOver}: packed on ${day}, before its ${each.pieceName} is finished`,
          );
    }

  // Pans stand full over night no more than there are.
  const saidOf = (code: string) =>
    new Set(plan.findings.filter((each) => each.code === code).map(({ about }) => about.id));
  for (const pan of kitchen.pans) {
    const same = kitchen.pans.filter(({ lengthMm, widthMm }) => lengthMm === pan.lengthMm && widthMm === pan.widthMm);
    const there = same.reduce((sum, { count }) => sum + count, 0);
    for (const { day } of plan.days) {
      let full = 0;
      for (const { recipeId, day: made, batches } of plan.runs) {
        const rest = book.recipes.get(recipeId)?.recipe.restDays ?? 0;
        const form = [...book.pieces.values()]
          .map(({ piece }) => bodyForm(piece.form))
          .find((each) => each.kind === 'cut' && each.recipeId === recipeId);
        if (form?.kind !== 'cut' || form.panLengthMm !== pan.lengthMm || form.panWidthMm !== pan.widthMm) continue;
        if (at(made) <= at(day) && at(made) + rest > at(day))
          full += batches.reduce((sum, { size, count }) => sum + count * Math.ceil(form.pansPerBatch * size), 0);
      }
      if (full > there && !saidOf('pans-short').has(day))
        wrong.push(`${day}: ${String(full)} of ${pan.name} are full over night, ${String(there)} are there`);
    }
  }

  // Whole batches of allowed sizes, mass in and mass out, components rested and fresh.
  for (const run of plan.runs) {
    const facts = book.recipes.get(run.recipeId);
    if (!facts) continue;
    const name = `${run.recipeName} on ${run.day}`;
    for (const { size, count } of run.batches) {
      if (!isAllowed(size, facts.recipe)) wrong.push(`${name}: ${String(size)} is no allowed size`);
      if (!Number.isInteger(count) || count < 1) wrong.push(`${name}: ${String(count)} is no number of batches`);
    }
    const yieldGrams = run.batches.reduce((sum, { size, count }) => sum + size * count * facts.yieldGrams, 0);
    const pieces = new Set(run.pegs.filter(({ role }) => role === 'body').map(({ id }) => id));
    const served = run.pegs.reduce((sum, use) => sum + (use.role === 'body' ? use.pieces : 0), 0);
    const [only] = pieces;
    const form = book.pieces.get(only ?? '')?.piece.form;
    if (pieces.size === 1 && served === run.pegs.reduce((sum, use) => sum + use.pieces, 0) && form) {
      const given = run.batches.reduce(
        (sum, { size, count }) => sum + count * piecesPerBatch(bodyForm(form), size, facts.yieldGrams),
        0,
      );
      if (run.pegs.every(({ role }) => role === 'body') && given < served + run.sparePieces)
        wrong.push(`${name}: ${String(given)} pieces for ${String(served)} and ${String(run.sparePieces)} to spare`);
    }
    if (Math.abs(yieldGrams - run.usedGrams - run.leftOverGrams) > 1e-6)
      wrong.push(
        `${name}: ${String(yieldGrams)} g come out, ${String(run.usedGrams + run.leftOverGrams)} g are accounted for`,
      );
    for (const use of run.pegs) {
      if (use.role === 'body') continue;
      const age = at(use.on) - at(run.day);
      if (age < facts.recipe.restDays) wrong.push(`${name}: used on ${use.on} before it has rested`);
      if (age > facts.recipe.keepsDays) wrong.push(`${name}: too old on ${use.on}`);
    }
  }
  // What is made already gives no more than came out of it, in pieces and in mass, rested and fresh.
  for (const made of plan.made) {
    const facts = book.recipes.get(made.recipeId);
    if (!facts) continue;
    const name = `${made.recipeName}, made on ${made.day}`;
    const batches = book.batches.filter(({ recipeId, on }) => recipeId === made.recipeId && on === made.day);
    const came = batches
      .filter(({ state }) => state === 'done')
      .reduce((sum, { grams, size }) => sum + (grams ?? size * facts.yieldGrams), 0);
    if (Math.abs(came - made.yieldGrams) > 1e-6) wrong.push(`${name}: ${String(made.yieldGrams)} of ${String(came)} g`);
    if (made.usedGrams > came + 1e-6) wrong.push(`${name}: ${String(made.usedGrams)} g are taken of ${String(came)} g`);
    for (const use of made.pegs) {
      const age = at(use.on) - at(made.day);
      if (age < facts.recipe.restDays) wrong.push(`${name}: used on ${use.on} before it has rested`);
      const keeps =
        use.role === 'body'
          ? (book.pieces.get(use.id)?.piece.keepsDays ?? 0) - kitchen.promisedDays
          : facts.recipe.keepsDays;
      if (age > keeps) wrong.push(`${name}: too old on ${use.on}`);
    }
  }
  /** What batches and pieces that are made already may have taken on a day, g. */
  const mayHaveTaken = (id: string, day: string): number => {
    const batches = book.batches
      .filter(({ on }) => on === day)
      .flatMap(({ recipeId, size }) => {
        const facts = book.recipes.get(recipeId);
        return (facts?.recipe.lines ?? []).map(({ uses }, index) =>
          uses.id === id ? (facts?.lineGrams[index] ?? 0) * size : 0,
        );
      });
    const pieces = plan.made
      .filter(({ finishedOn }) => finishedOn === day)
      .flatMap(({ pegs }) => pegs)
      .flatMap((use) =>
        (book.pieces.get(use.id)?.parts ?? []).map((part) =>
          use.role === 'body' && part.role !== 'body' && part.recipeId === id ? part.drawnGrams * use.pieces : 0,
        ),
      );
    return [...batches, ...pieces].reduce((sum, grams) => sum + grams, 0);
  };

  // What users take is what their components give, day by day.
  for (const [id, facts] of book.recipes) {
    const taken = new Map<string, number>();
    const take = (day: string, grams: number) => taken.set(day, (taken.get(day) ?? 0) + grams);
    for (const user of plan.runs)
      book.recipes.get(user.recipeId)?.recipe.lines.forEach(({ uses }, index) => {
        const grams = book.recipes.get(user.recipeId)?.lineGrams[index] ?? 0;
        const multiple = user.batches.reduce((sum, { size, count }) => sum + size * count, 0);
        if (uses.id === id) take(user.day, grams * multiple);
      });
    for (const { pieceId, count, work } of plan.finishings) {
      const finished = book.pieces.get(pieceId);
      for (const part of finished?.parts ?? []) {
        if (!finished || part.role === 'body' || part.recipeId !== id) continue;
        const stages = drawnInStages(finished.piece, part.role, part.drawnGrams);
        for (const { day, stage } of work) take(day, (stages[stage] ?? 0) * count);
      }
    }
    for (const [day, grams] of taken) {
      const given = [...plan.made, ...plan.runs]
        .filter(({ recipeId }) => recipeId === id)
        .flatMap(({ pegs }) => pegs)
        .filter(({ on, role }) => on === day && role !== 'body')
        .reduce((sum, use) => sum + use.grams, 0);
      const slack = 1e-4 * Math.max(1, grams);
      if (given < grams - slack || given > grams + mayHaveTaken(id, day) + slack)
        wrong.push(`${facts.recipe.name}: ${String(grams)} g are used on ${day}, ${String(given)} g are given`);
    }
  }

  // Nobody works longer than the day and its overtime, and nobody on a day that is none.
  for (const { day, bookedMinutes, doneMinutes, packs } of plan.days) {
    // A helper does no more than finishing and packing, and no more than the hours that are hired.
    const finished = plan.finishings.reduce((sum, { pieceId, count, work }) => {
      const piece = book.pieces.get(pieceId)?.piece;
      const seconds = work.map(({ stage, day: on }) =>
        piece && on === day ? (stagesOf(piece)[stage]?.seconds ?? 0) : 0,
      );
      return sum + (count * seconds.reduce((all, each) => all + each, 0)) / 60;
    }, 0);
    const packed = packs.reduce(
      (sum, { boxId, count }) => sum + count * (book.boxes.get(boxId)?.box.packMinutes ?? 0),
      0,
    );
    const helped = (kitchen.dayChanges.find((each) => each.day === day)?.helperHours ?? 0) * 60;
    const own = bookedMinutes - Math.min(helped, finished + packed);
    if (own > Math.max(allowed(day, book), doneMinutes) + 0.5)
      wrong.push(`${day}: ${String(Math.round(own))} of ${String(allowed(day, book))} minutes`);
  }

  // The shopping covers what the batches take, in time and fresh.
  for (const id of new Set(plan.shopping.map(({ ingredientId }) => ingredientId))) {
    const lines = plan.shopping.filter(({ ingredientId }) => ingredientId === id);
    const ingredient = book.ingredients.get(id);
    if (!ingredient || lines.some(({ packs, missingGrams }) => packs.length === 0 && missingGrams > 0)) continue;
    for (const { name, buyBy, notBefore } of lines)
      if (notBefore !== null && at(notBefore) > at(buyBy)) wrong.push(`${name}: not before ${notBefore}, by ${buyBy}`);
    /** Grams that can be used up to a day; Infinity for what keeps. */
    const stock = [
      ...ingredient.lots.map(({ grams, useBy }) => ({ grams, from: -Infinity, until: at(useBy) })),
      {
        grams: ingredient.onHandGrams - ingredient.lots.reduce((sum, { grams }) => sum + grams, 0),
        from: -Infinity,
        until: Infinity,
      },
      ...lines.map(({ packs, buyBy }) => {
        // Ordered on the last day, it is there after the longest of its waits, and keeps from then on.
        const from = Math.max(0, ...packs.map((pack) => comesOn(pack, at(buyBy), book)));
        return {
          grams: packs.reduce((sum, { grams, count }) => sum + grams * count, 0),
          from,
          until: ingredient.keepsDays === null ? Infinity : from + ingredient.keepsDays,
        };
      }),
    ].sort((a, b) => a.until - b.until);
    for (const run of [...plan.runs].sort((a, b) => at(a.day) - at(b.day))) {
      const facts = book.recipes.get(run.recipeId);
      const multiple = run.batches.reduce((sum, { size, count }) => sum + size * count, 0);
      let wanted =
        multiple *
        (facts?.recipe.lines ?? []).reduce(
          (sum, { uses }, index) => (uses.id === id ? sum + (facts?.lineGrams[index] ?? 0) : sum),
          0,
        );
      for (const lot of stock) {
        if (lot.until < at(run.day) || lot.from > at(run.day)) continue;
        const taken = Math.min(wanted, lot.grams);
        lot.grams -= taken;
        wanted -= taken;
      }
      if (wanted > 1e-4) wrong.push(`${ingredient.name}: ${String(wanted)} g are missing on ${run.day}`);
    }
  }
  return wrong;
}
