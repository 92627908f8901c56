import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { packBox, packedKey } from '../order/index.js';
import type { Allergen } from '../ingredient/index.js';
import { allergensIn, profileOf, turnsOf, type LabelRun, type Plan } from '../plan/index.js';
import type { Day } from '../quantity/index.js';
import { oncePerPair } from '../record/index.js';

/** An allergen that can come into a box from the kitchen itself, and by which way. */
export interface CrossContact {
  readonly allergen: Allergen;
  readonly day: Day;
  /** What brings it. */
  readonly from: string;
  /** What it can come into. */
  readonly into: string;
  readonly where: 'bench' | 'packing';
}

/** Something that is made or finished on a day, with its place in the turns of the day. */
interface OnTheBench {
  readonly noun: 'recipe' | 'piece';
  readonly id: string;
  readonly name: string;
  readonly contains: readonly Allergen[];
  readonly turn: number;
  readonly place: number;
}

/** All that is on the bench on each day. */
const benchOf = oncePerPair((plan: Plan, book: Book): ReadonlyMap<Day, readonly OnTheBench[]> => {
  const days = new Map<Day, Omit<OnTheBench, 'turn' | 'place'>[]>();
  const add = (day: Day, thing: Omit<OnTheBench, 'turn' | 'place'>) => {
    days.set(day, [...(days.get(day) ?? []), thing]);
  };
  for (const { day, recipeId: id, recipeName: name } of [...plan.made, ...plan.runs])
    add(day, { noun: 'recipe', id, name, contains: book.recipes.get(id)?.contains ?? [] });
  for (const { work, pieceId: id, pieceName: name } of plan.finishings)
    for (const { day } of work) add(day, { noun: 'piece', id, name, contains: book.pieces.get(id)?.contains ?? [] });
  return new Map(
    [...days].map(([day, things]) => {
      const turns = turnsOf(things.map(({ contains }) => profileOf(contains)));
      const placed = things.map((thing): OnTheBench => {
        const profile = profileOf(thing.contains);
        const turn = turns.findIndex(({ profiles }) => profiles.includes(profile));
        return { ...thing, turn, place: turns[turn]?.profiles.indexOf(profile) ?? 0 };
      });
      return [day, placed] as const;
    }),
  );
});

/** Every recipe of the pieces, through all components. */
function recipesOf(facts: BoxFacts, book: Book): Set<string> {
  const all = new Set<string>();
  const add = (id: string) => {
    if (all.has(id)) return;
    all.add(id);
    for (const { uses } of book.recipes.get(id)?.recipe.lines ?? []) if (uses.kind === 'recipe') add(uses.id);
  };
  for (const { pieceId } of facts.pieces) book.pieces.get(pieceId)?.parts.forEach(({ recipeId }) => { add(recipeId); }); // prettier-ignore
  return all;
}

/**
 * What the kitchen itself may bring into a box: what else is on the bench on the days on which its parts are made, finished and packed, and is
 * not cleaned off between. Where clean-downs are planned, things of one turn of a day can pass on only what was made before them in it, and
 * that they hold themselves (see the turns of a day); where none are, anything of the day may come into anything. At the packing only
 * boxes with the same nuts lie beside each other.
 *
 * An advice, and no declaration: it never takes anything off what the box contains. Common practice, no source.
 * @returns each allergen with every way, the earliest first; none that the box contains
 */
export function crossContact(run: LabelRun, facts: BoxFacts, plan: Plan, book: Book): CrossContact[] {
  const recipes = recipesOf(facts, book);
  const isOurs = ({ noun, id }: OnTheBench) => (noun === 'recipe' ? recipes : facts.pieceIds).has(id);
  const found = new Map<string, CrossContact>();
  const add = (each: CrossContact) => {
    if (!facts.contains.includes(each.allergen)) found.set(Object.values(each).join('|'), each);
  };
  const cleans = book.kitchen.cleanMinutes > 0;
  const bench = benchOf(plan, book);
  for (const { day, packs } of plan.days) {
    const things = bench.get(day) ?? [];
    for (const own of things.filter(isOurs))
      for (const other of things) {
        const before = other.turn === own.turn && other.place <= own.place;
        if (other === own || (cleans && !before)) continue;
        for (const allergen of allergensIn(profileOf(other.contains)))
          if (!own.contains.includes(allergen))
            add({ allergen, day, from: other.name, into: own.name, where: 'bench' });
      }
    const own = packs.find(
      (pack) => pack.handOver === run.handOver && packedKey(pack.boxId, pack) === packedKey(run.boxId, run),
    );
    for (const pack of own ? packs : []) {
      if (cleans && pack.nuts !== own?.nuts) continue;
      const other = packBox(book, pack.boxId, pack)?.facts;
      for (const allergen of allergensIn(profileOf(other?.contains ?? [])))
        add({ allergen, day, from: pack.boxName, into: run.boxName, where: 'packing' });
    }
  }
  return [...found.values()];
}
