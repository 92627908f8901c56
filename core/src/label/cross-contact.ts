import type { Book } from '../book/index.js';
import type { BoxFacts } from '../box/index.js';
import { packBox, packedKey } from '../order/index.js';
import type { Allergen } from '../ingredient/index.js';
import { allergensIn, profileOf, turnsOf, type LabelRun, type Plan } from '../plan/index.js';
import type { Day } from '../quantity/index.js';

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

/** Something that is made or finished on a day. */
interface OnTheBench {
  readonly name: string;
  readonly contains: readonly Allergen[];
  readonly isOurs: boolean;
}

/** All that is on the bench on a day, and which of it is of the box. */
function onTheBench(
  day: Day,
  ours: { recipes: ReadonlySet<string>; pieces: ReadonlySet<string> },
  plan: Plan,
  book: Book,
) {
  const made = [...plan.made, ...plan.runs]
    .filter((run) => run.day === day)
    .map(({ recipeId, recipeName }): OnTheBench => ({
      name: recipeName,
      contains: book.recipes.get(recipeId)?.contains ?? [],
      isOurs: ours.recipes.has(recipeId),
    }));
  const finished = plan.finishings
    .filter((each) => each.day === day)
    .map(({ pieceId, pieceName }): OnTheBench => ({
      name: pieceName,
      contains: book.pieces.get(pieceId)?.contains ?? [],
      isOurs: ours.pieces.has(pieceId),
    }));
  return [...made, ...finished];
}

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
  const ours = { recipes: recipesOf(facts, book), pieces: facts.pieceIds };
  const found = new Map<string, CrossContact>();
  const add = (each: CrossContact) => {
    if (!facts.contains.includes(each.allergen)) found.set(Object.values(each).join('|'), each);
  };
  const cleans = book.kitchen.cleanMinutes > 0;
  for (const { day, packs } of plan.days) {
    const things = onTheBench(day, ours, plan, book);
    const turns = turnsOf(things.map(({ contains }) => profileOf(contains)));
    const turnOf = ({ contains }: OnTheBench) =>
      turns.findIndex(({ profiles }) => profiles.includes(profileOf(contains)));
    const placeIn = (thing: OnTheBench) => turns[turnOf(thing)]?.profiles.indexOf(profileOf(thing.contains)) ?? 0;
    for (const own of things.filter(({ isOurs }) => isOurs))
      for (const other of things) {
        const before = turnOf(other) === turnOf(own) && placeIn(other) <= placeIn(own);
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
