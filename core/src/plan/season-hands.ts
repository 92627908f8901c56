import type { Allergen } from '../ingredient/index.js';
import { bodyForm } from '../piece/index.js';
import { addDays, type Day } from '../quantity/index.js';
import { groupBy } from '../record/index.js';
import { leastMinutesOf, stretchesOf, workingMinutesOf, type RecipeFacts } from '../recipe/index.js';
import type { Term } from '../solver/index.js';
import { equipmentKey, ownedOf } from './bench-jobs.js';
import { nutClass, nutClasses, type NutClass } from './nuts.js';
import { merged, weights, type SeasonDraft, type SeasonInput } from './season-draft.js';
import { helperHours } from './windows.js';

/** Work that is done in one turn of a day by the nuts in it: what only the maker does, and what a helper may do. */
interface Turn {
  readonly nuts: NutClass;
  readonly made: Term[];
  readonly finished: Term[];
}

/** What the maker has pinned to a day is made on it, whenever that day then ends. */
const hasPins = ({ before }: SeasonInput, on: Day): boolean => before?.pins.some(({ day }) => day === on) ?? false;

/** Waits shorter than this are not worth a row of the model. */
const WORTH_A_ROW = 20;

/**
 * The turns of a day come one after another, so that what takes its time in one of them cannot be waited for in the others: the longest
 * chain of one turn, and all hands of the others, must fit into the day.
 */
function addTurns(draft: SeasonDraft, day: Day, turns: readonly Turn[], cleaning: readonly Term[]): void {
  const { input, model, minutesOn, makes, serves } = draft;
  const { book, packing } = input;
  const { kitchen } = book;
  const helpMinutes = helperHours(day, kitchen) * 60;
  const end = minutesOn(day) + kitchen.overtimeMinutes;
  const row = (nuts: NutClass, chain: Term) => {
    const others = turns.filter((turn) => turn.nuts !== nuts);
    const made = merged([...others.flatMap((turn) => turn.made), ...cleaning]);
    const finished = others.flatMap((turn) => turn.finished);
    const packed = (packing.packs.get(day) ?? [])
      .filter((pack) => pack.nuts !== nuts)
      .reduce((sum, { minutes }) => sum + minutes, 0);
    // With a helper, what is finished and packed in the other turns may be done beside all this, or only in part.
    if (helpMinutes > 0) model.atMost(`turn ${day}`, [chain, ...made], end);
    model.atMost(`turn ${day}`, merged([chain, ...made, ...finished]), Math.max(0, end - packed + helpMinutes));
  };
  for (const { facts, bodyId, column, demand, day: madeOn, finishedOn } of serves) {
    const body = book.recipes.get(bodyId);
    if (!body || madeOn !== day || finishedOn !== day) continue;
    // A helper takes half of the finishing at best.
    const finishing = (facts.piece.handSeconds * demand.count) / 60 / (helpMinutes > 0 ? 2 : 1);
    const chain = leastMinutesOf(body) + finishing;
    if (chain >= body.recipe.handsMinutes + WORTH_A_ROW) row(nutClass(body.contains), [column, chain / demand.count]);
  }
  for (const [id, onDays] of makes) {
    const facts = book.recipes.get(id);
    const make = onDays.get(day);
    if (!facts || make === undefined) continue;
    const chain = workingMinutesOf(facts);
    if (chain >= facts.recipe.handsMinutes + WORTH_A_ROW) row(nutClass(facts.contains), [make, chain]);
  }
}

/** Hands, day by day, with a helper's, with cleaning between nut classes and overtime at its price. */
export function addHands(draft: SeasonDraft): void {
  const { input, model, days, minutesOn, rate, batches, makes, serves, claims } = draft;
  const { book, packing, settled } = input;
  const { kitchen } = book;
  for (const day of days) {
    const turns = nutClasses.map((nuts): Turn => ({ nuts, made: [], finished: [] }));
    const turnOf = (contains: readonly Allergen[]) => turns.find(({ nuts }) => nuts === nutClass(contains));
    const classes = new Map<string, Term[]>();
    for (const [id, made] of makes) {
      const facts = book.recipes.get(id);
      const make = made.get(day);
      if (!facts || make === undefined) continue;
      const nuts = nutClass(facts.contains);
      if (kitchen.setUpMinutes > 0) turnOf(facts.contains)?.made.push([make, kitchen.setUpMinutes]);
      for (const { column } of batches.get(id)?.get(day) ?? [])
        turnOf(facts.contains)?.made.push([column, facts.recipe.handsMinutes]);
      classes.set(nuts, [...(classes.get(nuts) ?? []), [make, 1]]);
    }
    const finished = serves.filter(({ finishedOn }) => finishedOn === day);
    for (const { facts, column } of finished)
      turnOf(facts.contains)?.finished.push([column, facts.piece.handSeconds / 60]);
    const waiting = settled.finishings.filter((each) => each.day === day);
    const cleaning: Term[] = [];
    if (kitchen.cleanMinutes > 0) {
      const clean = model.column(`clean ${day}`, kitchen.cleanMinutes * rate * weights.cleaning);
      cleaning.push([clean, kitchen.cleanMinutes]);
      const present = nutClasses.map((nuts) => {
        const there = model.choice(`${nuts} ${day}`, 0);
        for (const [make] of classes.get(nuts) ?? []) model.atMost('there', [[make, 1], [there, -1]], 0); // prettier-ignore
        const same = finished.filter(({ facts }) => nutClass(facts.contains) === nuts);
        const count = same.reduce((sum, { demand: of }) => sum + of.count, 0);
        // What is made already is finished on its day, whatever is decided.
        const fixed = waiting.some(({ pieceId }) => nutClass(book.pieces.get(pieceId)?.contains ?? []) === nuts);
        if (fixed) model.atLeast('there', [[there, 1]], 1);
        if (count > 0) model.atMost('there', [...same.map(({ column }): Term => [column, 1]), [there, -count]], 0); // prettier-ignore
        return there;
      });
      model.atLeast('clean-downs', [[clean, 1], ...present.map((there): Term => [there, -1])], -1);
    }
    // Packing, and finishing what is made already: a helper may do both.
    const pack = waiting.reduce((sum, { handsMinutes }) => sum + handsMinutes, packing.minutes.get(day) ?? 0);
    model.always(pack * rate);
    // Without any bench days set, no day has an end.
    if (kitchen.benchWeek.length === 0) continue;
    const minutes = minutesOn(day);
    // Packing alone may take more than the day has: that is overtime whatever is decided.
    const helped = Math.min(helperHours(day, kitchen) * 60, pack);
    const extra = Math.max(0, pack - helped - minutes - kitchen.overtimeMinutes);
    const over = model.column(`overtime ${day}`, rate * weights.overtime, { upper: kitchen.overtimeMinutes + extra });
    // A helper finishes and packs, and can do no more of it than there is.
    const help = model.column(`help ${day}`, 0, { upper: helperHours(day, kitchen) * 60 });
    const shared = finished.map(({ facts, column }): Term => [column, -facts.piece.handSeconds / 60]);
    model.atMost(`help ${day}`, [[help, 1], ...shared], pack);
    const hands = [...turns.flatMap(({ made, finished: of }) => [...made, ...of]), ...cleaning];
    const row = model.atMost(`hands ${day}`, [...hands, [over, -1], [help, -1]], minutes - pack);
    claims.push({ row, kind: 'day', day, text: `${String(Math.round(minutes))} minutes of hands` });
    if (!input.bare && !input.loose && !hasPins(input, day)) addTurns(draft, day, turns, cleaning);
  }
}

/** Moulds fill so many cavities a day, and pans hold what rests in them overnight. */
export function addMouldsAndPans({ input: { book, settled }, model, days, batches, serves }: SeasonDraft): void {
  const { kitchen } = book;
  for (const [, same] of groupBy(
    serves.filter(({ facts }) => bodyForm(facts.piece.form).kind === 'moulded'),
    ({ facts, finishedOn }) => `${facts.piece.id} ${finishedOn}`,
  )) {
    const form = same[0] && bodyForm(same[0].facts.piece.form);
    if (form?.kind !== 'moulded') continue;
    const cavities = form.cavities * form.moulds * form.turnsPerDay * (1 - form.breakagePercent / 100);
    const filled = settled.finishings
      .filter(({ pieceId, day }) => pieceId === same[0]?.facts.piece.id && day === same[0].finishedOn)
      .reduce((sum, { count }) => sum + count, 0);
    model.atMost('moulds', same.map(({ column }): Term => [column, 1]), Math.max(0, Math.floor(cavities + 1e-9) - filled)); // prettier-ignore
  }
  for (const pan of kitchen.pans) {
    const inPan = [...batches].flatMap(([id, onDays]) => {
      const facts = book.recipes.get(id);
      const form = serves
        .filter(({ bodyId }) => bodyId === id)
        .map(({ facts: { piece } }) => bodyForm(piece.form))
        .find((each) => each.kind === 'cut' && each.panLengthMm === pan.lengthMm && each.panWidthMm === pan.widthMm);
      if (!facts || form?.kind !== 'cut' || facts.recipe.restDays === 0) return [];
      const resting = settled.supplies.get(id) ?? [];
      return [{ onDays, rest: facts.recipe.restDays, pans: form.pansPerBatch, resting }];
    });
    if (inPan.length === 0) continue;
    for (const night of days) {
      const taken = inPan.reduce(
        (sum, { rest, pans, resting }) =>
          resting
            .filter(({ day }) => day <= night && addDays(day, rest) > night)
            .flatMap(({ batches: made }) => made)
            .reduce((all, { size }) => all + Math.ceil(pans * size), sum),
        0,
      );
      model.atMost(
        `${pan.name} ${night}`,
        inPan.flatMap(({ onDays, rest, pans }) =>
          [...onDays]
            .filter(([day]) => day <= night && addDays(day, rest) > night)
            .flatMap(([, sizes]) => sizes.map(({ size, column }): Term => [column, Math.ceil(pans * size)])),
        ),
        Math.max(0, pan.count - taken),
      );
    }
  }
}

/** How one batch uses a piece of equipment. */
interface Occupation {
  /** Minutes before it first needs it. */
  readonly head: number;
  readonly minutes: number;
  /** Minutes that it is still in use when the hands are done with the batch. */
  readonly tail: number;
}

/** What one batch takes of each piece of equipment, burners among them; what stands over night is counted by its pans alone. */
function occupationsOf(facts: RecipeFacts): Map<string, Occupation> {
  const found = new Map<string, Occupation>();
  let start = 0;
  for (const { uses, minutes: whole, restMinutes } of stretchesOf(facts)) {
    for (const { what, name, offset, minutes } of uses) {
      if (what === 'hands') continue;
      const key = what === 'burner' ? what : equipmentKey(name);
      const here = minutes === Infinity ? whole - offset : minutes;
      const before = found.get(key);
      found.set(key, {
        head: before?.head ?? start + offset,
        minutes: (before?.minutes ?? 0) + here,
        tail: Math.max(before?.tail ?? 0, offset + here - whole),
      });
    }
    start += whole + (restMinutes === Infinity ? 0 : restMinutes);
  }
  return found;
}

/** Burners, oven, pots and tools: all that uses one of them on a day must fit between the day's beginning and its end. */
export function addEquipment({ input, model, days, minutesOn, batches }: SeasonDraft): void {
  const { book } = input;
  const { kitchen } = book;
  if (kitchen.benchWeek.length === 0) return;
  const users = new Map<string, { id: string; occupation: Occupation }[]>();
  for (const id of batches.keys()) {
    const facts = book.recipes.get(id);
    for (const [key, occupation] of facts ? occupationsOf(facts) : [])
      users.set(key, [...(users.get(key) ?? []), { id, occupation }]);
  }
  for (const [key, list] of users) {
    const head = Math.min(...list.map(({ occupation }) => occupation.head));
    const tail = Math.max(...list.map(({ occupation }) => occupation.tail));
    for (const day of days) {
      const terms = list.flatMap(({ id, occupation: { minutes } }) =>
        (batches.get(id)?.get(day) ?? []).map(({ column }): Term => [column, minutes]),
      );
      const most = minutesOn(day) + kitchen.overtimeMinutes - head + tail;
      if (terms.length > 0 && most > 0 && !hasPins(input, day))
        model.atMost(`${key} ${day}`, terms, ownedOf(key, kitchen) * most);
    }
  }
}
