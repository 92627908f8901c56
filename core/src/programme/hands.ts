import type { Book } from '../book/index.js';
import type { Allergen } from '../ingredient/index.js';
import type { Day } from '../quantity/index.js';
import { groupBy } from '../record/index.js';
import { leastMinutesOf, workingMinutesOf, type RecipeFacts, type Stretch } from '../recipe/index.js';
import type { Term } from '../solver/index.js';
import { equipmentKey, ownedOf } from '../bench-day/index.js';
import {
  inPack,
  type Kinds,
  nutClass,
  nutClasses,
  turnRules,
  type NutClass,
  type Netted,
  countsOf,
  isInPan,
  hasMoulds,
  mouldShareOf,
  mouldsHeld,
  mouldsOf,
  panKinds,
  panShareOf,
  pansTaken,
  helperHours,
  workDays,
  type WorkDay,
} from '../plan/index.js';
import {
  countedIn,
  merged,
  weights,
  type BatchColumn,
  type ProgrammeBuilder,
  type ProgrammeInput,
  type Serve,
} from './builder.js';

/** Work of one part of a day by the nuts in it: what only the maker does, and what a helper may do. */
interface Part {
  readonly nuts: NutClass;
  readonly made: Term[];
  readonly finished: Term[];
}

/** Batches of a recipe that are begun on one day, in a day on which they are worked on. */
interface WorkInDay {
  readonly id: string;
  readonly facts: RecipeFacts;
  readonly make: number;
  readonly batches: readonly BatchColumn[];
  readonly begins: boolean;
  readonly work: WorkDay;
}

/** What may be worked on, day by day: what is begun on it, and what goes on after a night. */
function workInDays({ input: { book }, batches, makes }: ProgrammeBuilder): Map<Day, WorkInDay[]> {
  const found = new Map<Day, WorkInDay[]>();
  for (const [id, made] of makes) {
    const facts = book.recipes.get(id);
    if (!facts) continue;
    for (const [begun, make] of made)
      workDays(facts, begun, book.kitchen).forEach((work, index) => {
        const entry = { id, facts, make, batches: batches.get(id)?.get(begun) ?? [], begins: index === 0, work };
        found.set(work.day, [...(found.get(work.day) ?? []), entry]);
      });
  }
  return found;
}

/** What the maker has pinned to a day is made on it, whenever that day then ends. */
const hasPins = ({ before }: ProgrammeInput, on: Day): boolean => before?.pins.some(({ day }) => day === on) ?? false;

/** Waits shorter than this are not worth a row of the model. */
const WORTH_A_ROW = 20;

/**
 * What has no nuts, tree nuts and peanut come one after another, so that what takes its time in one of them cannot be waited for in the
 * others: the longest chain of one, and all hands of the others, must fit into the day.
 */
function addParts(draft: ProgrammeBuilder, day: Day, parts: readonly Part[], cleaning: readonly Term[]): void {
  const { input, model, minutesOn, makes, serves } = draft;
  const { book, packing } = input;
  const { kitchen } = book;
  const helpMinutes = helperHours(day, kitchen) * 60;
  const end = minutesOn(day) + kitchen.overtimeMinutes;
  const row = (nuts: NutClass, chain: Term) => {
    const others = parts.filter((part) => part.nuts !== nuts);
    const made = merged([...others.flatMap((part) => part.made), ...cleaning]);
    const finished = others.flatMap((part) => part.finished);
    const packed = (packing.packs.get(day) ?? [])
      .filter((pack) => pack.nuts !== nuts)
      .reduce((sum, { minutes }) => sum + minutes, 0);
    // With a helper, what is finished and packed in the other parts may be done beside all this, or only in part.
    if (helpMinutes > 0) model.atMost(`part ${day}`, [chain, ...made], end);
    model.atMost(`part ${day}`, merged([chain, ...made, ...finished]), Math.max(0, end - packed + helpMinutes));
  };
  for (const { bodyId, column, demand, day: madeOn, finish } of serves) {
    const body = book.recipes.get(bodyId);
    const [first] = finish;
    if (!body || madeOn !== day || first?.day !== day) continue;
    // A helper takes half of the finishing at best.
    const finishing = (first.handSeconds * demand.count) / 60 / (helpMinutes > 0 ? 2 : 1);
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

/** Batches that are made already and go on on a day. */
function goingOn(netted: Netted, on: Day, book: Book) {
  return [...netted.supplies].flatMap(([id, supplies]) =>
    supplies.flatMap(({ facts, day, batches }) =>
      workDays(facts, day, book.kitchen)
        .slice(1)
        .flatMap((work) => (work.day === on ? [{ id, minutes: work.handsMinutes * batches.length }] : [])),
    ),
  );
}

/** Minutes of hands that batches take that are made already and go on on a day. */
const goingOnMinutes = (netted: Netted, on: Day, book: Book): number =>
  goingOn(netted, on, book).reduce((sum, { minutes }) => sum + minutes, 0);

/** Kinds of what is made already and is finished, or goes on, on a day. */
const fixedOn = (netted: Netted, on: Day, kinds: Kinds, book: Book): string[] => [
  ...netted.finishings.flatMap(({ work, pieceId }) =>
    work.some(({ day }) => day === on) ? [kinds.piece(pieceId)] : [],
  ),
  ...goingOn(netted, on, book).map(({ id }) => kinds.recipe(id)),
];

/**
 * Clean-downs of a day as a column: whenever something would be made or packed after what leaves an allergen behind that it minds. Each kind
 * that may be there has a choice; how many turns they make together is said by the rules of {@link turnRules}.
 */
function addCleaning(
  draft: ProgrammeBuilder,
  day: Day,
  work: readonly WorkInDay[],
  finished: readonly Serve[],
): Term[] {
  const { input, model, rate } = draft;
  const { book, netted, kinds, packing } = input;
  const { kitchen } = book;
  if (kitchen.cleanMinutes <= 0) return [];
  const present = new Map<string, number>();
  const thereOf = (kind: string): number => {
    const known = present.get(kind);
    if (known !== undefined) return known;
    const there = model.choice(`${kind} ${day}`, 0);
    present.set(kind, there);
    return there;
  };
  for (const { id, make } of work) model.atMost('there', [[make, 1], [thereOf(kinds.recipe(id)), -1]], 0); // prettier-ignore
  for (const [kind, same] of groupBy(finished, ({ facts }) => kinds.piece(facts.piece.id))) {
    const count = same.reduce((sum, { demand: of }) => sum + of.count, 0);
    if (count > 0)
      model.atMost('there', [...same.map(({ column }): Term => [column, 1]), [thereOf(kind), -count]], 0); // prettier-ignore
  }
  // What is made already is finished, and goes on, on its day, whatever is decided.
  for (const kind of fixedOn(netted, day, kinds, book)) model.atLeast('there', [[thereOf(kind), 1]], 1);
  // So is what is packed.
  for (const pack of packing.packs.get(day) ?? [])
    model.atLeast('there', [[thereOf(kinds.pack(pack, inPack(pack, book))), 1]], 1);
  if (present.size === 0) return [];
  const turns = model.column(`turns ${day}`, 0);
  for (const there of present.values()) model.atLeast('turn', [[turns, 1], [there, -1]], 0); // prettier-ignore
  for (const { kinds: set, turns: count } of turnRules([...present.keys()]))
    model.atLeast('turns', [[turns, 1], ...set.map((kind): Term => [present.get(kind) ?? 0, -1])], count - set.length); // prettier-ignore
  const clean = model.column(`clean ${day}`, kitchen.cleanMinutes * rate * weights.cleaning);
  model.atLeast('clean-downs', [[clean, 1], [turns, -1]], -1); // prettier-ignore
  return [[clean, kitchen.cleanMinutes]];
}

/** Hands, day by day, with a helper's, with cleaning and overtime at its price. */
export function addHands(draft: ProgrammeBuilder): void {
  const { input, model, days, minutesOn, rate, serves, claims } = draft;
  const { book, packing, netted } = input;
  const { kitchen } = book;
  const working = workInDays(draft);
  for (const day of days) {
    const parts = nutClasses.map((nuts): Part => ({ nuts, made: [], finished: [] }));
    const partOf = (contains: readonly Allergen[]) => parts.find(({ nuts }) => nuts === nutClass(contains));
    const work = working.get(day) ?? [];
    for (const { facts, make, batches, begins, work: here } of work) {
      const part = partOf(facts.contains);
      if (begins && kitchen.setUpMinutes > 0) part?.made.push([make, kitchen.setUpMinutes]);
      part?.made.push(...countedIn(batches, here.handsMinutes));
    }
    const finished = serves.flatMap((serve) => {
      const handSeconds = serve.finish.reduce((sum, each) => (each.day === day ? sum + each.handSeconds : sum), 0);
      return serve.finish.some((each) => each.day === day) ? [{ ...serve, handSeconds }] : [];
    });
    for (const { facts, column, handSeconds } of finished)
      partOf(facts.contains)?.finished.push([column, handSeconds / 60]);
    const waiting = netted.finishings.flatMap(({ work }) => work.filter((each) => each.day === day));
    const cleaning = addCleaning(draft, day, work, finished);
    const going = goingOnMinutes(netted, day, book);
    // Packing, and finishing what is made already: a helper may do both.
    const pack = waiting.reduce((sum, { handsMinutes }) => sum + handsMinutes, packing.minutes.get(day) ?? 0);
    model.always((pack + going) * rate);
    // Without any bench days set, no day has an end.
    if (kitchen.benchWeek.length === 0) continue;
    const minutes = minutesOn(day);
    // Packing alone may take more than the day has: that is overtime whatever is decided.
    const helped = Math.min(helperHours(day, kitchen) * 60, pack);
    const extra = Math.max(0, pack + going - helped - minutes - kitchen.overtimeMinutes);
    const over = model.column(`overtime ${day}`, rate * weights.overtime, { upper: kitchen.overtimeMinutes + extra });
    // A helper finishes and packs, and can do no more of it than there is.
    const help = model.column(`help ${day}`, 0, { upper: helperHours(day, kitchen) * 60 });
    const shared = finished.map(({ column, handSeconds }): Term => [column, -handSeconds / 60]);
    model.atMost(`help ${day}`, [[help, 1], ...shared], pack);
    const hands = [...parts.flatMap(({ made, finished: of }) => [...made, ...of]), ...cleaning];
    const row = model.atMost(`hands ${day}`, [...hands, [over, -1], [help, -1]], minutes - pack - going);
    claims.push({ row, kind: 'day', day, text: `${String(Math.round(minutes))} minutes of hands` });
    if (!input.bare && !input.loose && !hasPins(input, day)) addParts(draft, day, parts, cleaning);
  }
}

/** Moulds fill so many cavities a day, and pans hold what rests in them overnight: by {@link mouldShareOf} and {@link panShareOf}. */
export function addMouldsAndPans({ input, model, days, batches, serves }: ProgrammeBuilder): void {
  const { book, netted, beside } = input;
  const standing = [...netted.finishings, ...(beside?.finishings ?? [])];
  for (const mould of mouldsOf(book)) {
    const shares = serves.flatMap(({ facts, finish, finishedOn, column }) => {
      const share = mouldShareOf(facts);
      return share?.key === mould.key ? [{ share, begun: finish[0]?.day ?? finishedOn, finishedOn, column }] : [];
    });
    // Between two bench days the same moulds are full: a row for the first of the nights says it for all.
    for (const day of days) {
      /** What holds moulds in a part of the day; one row for parts in which it is the same. */
      const rows = new Map<string, { readonly held: Term[]; readonly free: number }>();
      for (const part of nutClasses) {
        const held = shares.flatMap(({ share, begun, finishedOn, column }): Term[] =>
          hasMoulds(share, begun, finishedOn, day, part) ? [[column, share.perPiece]] : [],
        );
        const free = Math.max(0, mould.count - mouldsHeld(standing, day, mould, book, [part]));
        rows.set([free, ...held.map(([column]) => column)].join(' '), { held, free });
      }
      for (const { held, free } of rows.values()) if (held.length > 0) model.atMost('moulds', held, free);
    }
  }
  for (const pan of panKinds(book.kitchen)) {
    const inPan = [...batches].flatMap(([id, onDays]) => {
      const share = panShareOf(id, book);
      return share?.key === pan.key ? [{ onDays, share }] : [];
    });
    if (inPan.length === 0) continue;
    const made = [...netted.supplies].flatMap(([recipeId, list]) =>
      list.map((supply) => ({ recipeId, day: supply.day, batches: countsOf(supply.batches) })),
    );
    const resting = [...made, ...(beside?.made ?? []), ...(beside?.runs ?? [])];
    for (const night of days)
      model.atMost(
        `${pan.name} ${night}`,
        inPan.flatMap(({ onDays, share }) =>
          [...onDays]
            .filter(([day]) => isInPan(share, day, night))
            .flatMap(([, sizes]) => sizes.flatMap((each) => countedIn([each], share.pansFor(each.most)))),
        ),
        Math.max(0, pan.count - pansTaken(resting, night, pan, book)),
      );
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

/** What one batch takes of each piece of equipment on one day, burners among them; what stands over night is counted by its pans alone. */
function occupationsOf(stretches: readonly Stretch[]): Map<string, Occupation> {
  const found = new Map<string, Occupation>();
  let start = 0;
  for (const { uses, minutes: whole, restMinutes } of stretches) {
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
export function addEquipment(draft: ProgrammeBuilder): void {
  const { input, model, days, minutesOn } = draft;
  const { kitchen } = input.book;
  if (kitchen.benchWeek.length === 0) return;
  const working = workInDays(draft);
  for (const day of days) {
    if (hasPins(input, day)) continue;
    const users = new Map<string, { batches: readonly BatchColumn[]; occupation: Occupation }[]>();
    for (const { batches, work } of working.get(day) ?? [])
      for (const [key, occupation] of occupationsOf(work.stretches))
        users.set(key, [...(users.get(key) ?? []), { batches, occupation }]);
    for (const [key, list] of users) {
      const head = Math.min(...list.map(({ occupation }) => occupation.head));
      const tail = Math.max(...list.map(({ occupation }) => occupation.tail));
      const terms = list.flatMap(({ batches, occupation: { minutes } }) => countedIn(batches, minutes));
      const most = minutesOn(day) + kitchen.overtimeMinutes - head + tail;
      if (terms.length > 0 && most > 0) model.atMost(`${key} ${day}`, terms, ownedOf(key, kitchen) * most);
    }
  }
}
