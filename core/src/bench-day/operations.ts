import type { Book } from '../book/index.js';
import { allergens, exclusionName, type Allergen } from '../ingredient/index.js';
import { packBox, packedKey } from '../order/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { sayCount, sayList, sayMinutes, type Day } from '../quantity/index.js';
import { sayBatches, type Stretch } from '../recipe/index.js';
import type { Activity, ChangedOver, Changeover, Resource, Use } from '../schedule/index.js';
import {
  byLowLevelCode,
  cleanOff,
  nutClass,
  nutClasses,
  turnsOf,
  kindsOf,
  type Kinds,
  type PlanWork,
  type ProductionRun,
  helperHours,
  inPack,
  workByDay,
  type WorkOf,
} from '../plan/index.js';
import { finishJobs } from './finish-jobs.js';
import { HELPER, MAKER, plain, shared, type Operation, type OperationWords } from './operation.js';

const BURNER = 'burner';

/** One piece of equipment under one name, however it is written. */
export const equipmentKey = (name: string): string => name.trim().toLowerCase();

/** How often the kitchen has something; once when it is not in its list. */
export function ownedOf(key: string, { burners, pans, pots }: KitchenDraft): number {
  if (key === BURNER) return Math.max(1, burners);
  const named = ({ name }: { readonly name: string }) => equipmentKey(name) === key;
  return Math.max(
    1,
    pots.filter(named).length,
    pans.filter(named).reduce((sum, { count }) => sum + count, 0),
  );
}

/** What is there on a day besides hands: burners, and each piece of equipment as often as the kitchen has it. */
export function equipmentOf(jobs: readonly Operation[], { kitchen }: Book): Resource[] {
  const names = new Set(jobs.flatMap(({ activity }) => activity.uses.flatMap(({ anyOf }) => anyOf)));
  return [...names].flatMap((key): Resource[] => {
    if (key === MAKER || key === HELPER) return [];
    return [{ key, capacity: ownedOf(key, kitchen) }];
  });
}

const holdOf = ({ restMinutes }: Stretch): OperationWords['hold'] => {
  if (restMinutes === Infinity) return { text: 'rests overnight', minutes: null };
  return restMinutes > 0 ? { text: `rests ${sayMinutes(restMinutes)}`, minutes: restMinutes } : null;
};

/** Minutes that what uses it has to wait; what rests over night is used on another day. */
const lagOf = (stretch: Stretch | undefined): number =>
  stretch === undefined || stretch.restMinutes === Infinity ? 0 : stretch.restMinutes;

function usesOf(stretch: Stretch, readyMinutes: number): Use[] {
  return [
    ...(readyMinutes > 0 ? [{ offset: 0, minutes: readyMinutes, anyOf: [MAKER] }] : []),
    ...stretch.uses.map(({ what, name, offset, minutes }) => ({
      offset: offset + readyMinutes,
      minutes,
      anyOf: [what === 'hands' ? MAKER : what === 'burner' ? BURNER : equipmentKey(name)],
    })),
  ];
}

/** What is worked on on a day: what is begun, and what was begun before and goes on, components before what uses them. */
function workOn(plan: PlanWork, day: Day, book: Book): WorkOf<ProductionRun>[] {
  const componentsFirst = byLowLevelCode(book).reverse();
  const made = plan.made.filter((each) => each.day < day);
  return (workByDay([...made, ...plan.runs], book.recipes, book.kitchen).get(day) ?? []).sort(
    (a, b) => componentsFirst.indexOf(a.run.recipeId) - componentsFirst.indexOf(b.run.recipeId),
  );
}

/** Every batch that is worked on on a day, stretch by stretch; getting ready goes before the first of each recipe. */
function makeJobs(plan: PlanWork, day: Day, book: Book): Operation[] {
  /** The last stretches of all batches of a recipe: what uses it waits for them. */
  const done = new Map<string, { key: string; lag: number }[]>();
  return workOn(plan, day, book).flatMap(({ run, facts, work: { stretches } }) => {
    const { recipeId, recipeName, batches, batchCount, pinned } = run;
    const begins = run.day === day;
    const keyOf = (batch: number, part: number) =>
      ['make', recipeId, ...(begins ? [] : [run.day]), String(batch), String(part)].join(' ');
    const components = facts.recipe.lines.flatMap(({ uses }) =>
      begins && uses.kind === 'recipe' ? (done.get(uses.id) ?? []) : [],
    );
    const sizes = batches.flatMap(({ size, count }) => Array.from({ length: count }, () => size));
    const jobs = sizes.flatMap((size, batch) =>
      stretches.map((stretch, part): Operation => {
        const readyMinutes = begins && batch === 0 && part === 0 ? book.kitchen.setUpMinutes : 0;
        const which =
          batchCount > 1 ? `${String(batch + 1)} of ${String(batchCount)}` : sayBatches([{ size, count: 1 }]);
        return {
          activity: {
            key: keyOf(batch, part),
            minutes: stretch.minutes + readyMinutes,
            uses: usesOf(stretch, readyMinutes),
            after: part === 0 ? components : [{ key: keyOf(batch, part - 1), lag: lagOf(stretches[part - 1]) }],
          },
          words: plain('make', recipeName, part === 0 && begins ? which : `${which}, then on`, {
            recipeId,
            begun: run.day,
            pinned,
            hold: holdOf(stretch),
          }),
          contains: facts.contains,
        };
      }),
    );
    const last = stretches.length - 1;
    const ends = sizes.map((_size, batch) => ({ key: keyOf(batch, last), lag: lagOf(stretches[last]) }));
    done.set(recipeId, [...(done.get(recipeId) ?? []), ...ends]);
    return jobs;
  });
}

const keysOf = (jobs: readonly Operation[]) => jobs.map(({ activity: { key } }) => ({ key, lag: 0 }));

/** Boxes that are packed: each when what goes into it is finished. */
const packJobs = (plan: PlanWork, day: Day, book: Book, finishes: readonly Operation[], helped: boolean): Operation[] =>
  plan.days
    .filter((each) => each.day === day)
    .flatMap(({ packs }) => packs)
    .flatMap((pack): Operation[] => {
      const facts = packBox(book, pack.boxId, pack)?.facts;
      const wished = pack.ruledOut.map((code) => `no ${exclusionName(code, book)}`);
      const inside = new Set<string | null>(facts?.pieces.map(({ pieceId }) => pieceId));
      // What is only begun on the day is for other boxes.
      const after = keysOf(finishes.filter(({ words }) => inside.has(words.pieceId) && words.isLastStage));
      return shared(pack.count, pack.minutes, helped).map(({ count, minutes }, index): Operation => ({
        activity: {
          key: `pack ${packedKey(pack.boxId, pack)} ${pack.handOver} ${String(index)}`,
          minutes,
          uses: [{ offset: 0, minutes, anyOf: [MAKER, HELPER] }],
          after,
        },
        words: plain('pack', `Pack ${pack.boxName}`, [sayCount(count, 'box', 'boxes'), ...wished].join(', '), { pack }),
        contains: inPack(pack, book),
      }));
    });

const waitingFor = (job: Operation, before: Activity['after']): Operation => ({
  ...job,
  activity: { ...job.activity, after: [...job.activity.after, ...before] },
});

/** Tells the kind of an activity, by which the bench is cleaned. */
function kindOfJob({ words: { recipeId, pieceId, pack }, contains }: Operation, kinds: Kinds): string {
  if (pack) return kinds.pack(pack, contains);
  return recipeId === null ? kinds.piece(pieceId ?? '') : kinds.recipe(recipeId);
}

/** What of some work something later lacks, in words. */
const sayOff = (codes: readonly Allergen[]): string => sayList(codes.map((code) => allergens[code].name.toLowerCase()));

/** Gives the clean-down between work of two kinds; none where the kitchen gives it no minutes. */
export function cleaningOf({ kitchen }: Book): Changeover | undefined {
  if (kitchen.cleanMinutes === 0) return undefined;
  const known = new Map<string, Map<string, boolean>>();
  // Asked so often that no key is put together for it.
  const isNeeded = (from: string, to: string): boolean => {
    let after = known.get(from);
    if (!after) known.set(from, (after = new Map<string, boolean>()));
    let needed = after.get(to);
    if (needed === undefined) after.set(to, (needed = cleanOff(from, to).length > 0));
    return needed;
  };
  return { hands: [MAKER, HELPER], by: MAKER, minutes: kitchen.cleanMinutes, isNeeded };
}

/** What a strip of cleaning between work of two kinds says. */
export const cleanWords = ({ fromKind, toKind }: ChangedOver): OperationWords =>
  plain('clean', 'Clean', `off ${sayOff(cleanOff(fromKind, toKind))}`);

/**
 * Lists all of a day's work, packing among it: without nuts before tree nuts before peanut, and within these in an order that needs the fewest
 * clean-downs; each with its kind, between which {@link cleaningOf} has the bench cleaned.
 */
export function operationsOf(plan: PlanWork, day: Day, book: Book): Operation[] {
  const kinds = kindsOf(plan.minded, book);
  const makes = makeJobs(plan, day, book);
  const helped = helperHours(day, book.kitchen) > 0;
  const finishes = finishJobs(plan, day, book, makes, helped);
  const jobs = [...makes, ...finishes, ...packJobs(plan, day, book, finishes, helped)].map(
    (job): Operation & { readonly kind: string } => ({ ...job, kind: kindOfJob(job, kinds) }),
  );
  const turns = turnsOf(jobs.map(({ kind }) => kind)).flat();
  const places = new Map(turns.map((kind, place) => [kind, place] as const));
  const parts = nutClasses
    .map((nuts) => jobs.filter(({ contains }) => nutClass(contains) === nuts))
    .filter((part) => part.length > 0);
  return parts.flatMap((part, index) => {
    const before = keysOf(parts[index - 1] ?? []);
    return [...part]
      .sort((one, other) => (places.get(one.kind) ?? 0) - (places.get(other.kind) ?? 0))
      .map(({ kind, ...job }) => {
        const waiting = waitingFor(job, before);
        return { ...waiting, activity: { ...waiting.activity, kind } };
      });
  });
}
