import type { Book } from '../book/index.js';
import { allergens, inLabelOrder, type Allergen } from '../ingredient/index.js';
import { packBox, packedKey } from '../order/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { sayCount, sayList, sayMinutes, type Day } from '../quantity/index.js';
import { sayBatches, type Stretch } from '../recipe/index.js';
import type { Activity, ChangedOver, Changeover, Resource, Use } from '../schedule/index.js';
import {
  byLowLevelCode,
  allergensIn,
  cleanOff,
  nutClass,
  nutClasses,
  profileOf,
  type PlanWork,
  type ProductionRun,
  helperHours,
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
        words: plain('pack', `Pack ${pack.boxName}`, sayCount(count, 'box', 'boxes'), { pack }),
        contains: facts?.pieces.flatMap(({ pieceId }) => book.pieces.get(pieceId)?.contains ?? []) ?? [],
      }));
    });

const waitingFor = (job: Operation, before: Activity['after']): Operation => ({
  ...job,
  activity: { ...job.activity, after: [...job.activity.after, ...before] },
});

/** The kind of an activity, by which the bench is cleaned: the allergens in what is made or finished. */
const withKind = (job: Operation): Operation => ({
  ...job,
  activity: { ...job.activity, kind: profileOf(job.contains) },
});

/** What of some work something later lacks, in words. */
const sayOff = (codes: readonly Allergen[]): string => sayList(codes.map((code) => allergens[code].name.toLowerCase()));

/** Gives the clean-down between work of two kinds in one part of the day; none where the kitchen gives it no minutes. */
export function cleaningOf({ kitchen }: Book): Changeover | undefined {
  if (kitchen.cleanMinutes === 0) return undefined;
  const known = new Map<string, boolean>();
  const isNeeded = (from: string, to: string): boolean => {
    const key = `${from} > ${to}`;
    const there = known.get(key);
    if (there !== undefined) return there;
    const needed = nutClass(allergensIn(from)) === nutClass(allergensIn(to)) && cleanOff(from, to).length > 0;
    known.set(key, needed);
    return needed;
  };
  return { hands: [MAKER, HELPER], by: MAKER, minutes: kitchen.cleanMinutes, isNeeded };
}

/** What a strip of cleaning between work of two kinds says. */
export const cleanWords = ({ fromKind, toKind }: ChangedOver): OperationWords =>
  plain('clean', 'Clean', `off ${sayOff(cleanOff(fromKind, toKind))}`);

/**
 * All of a day's work: without nuts before tree nuts before peanut, with a clean-down between, and by kinds between which {@link cleaningOf}
 * has it cleaned, so that nothing is made after what has an allergen that it lacks.
 */
export function operationsOf(plan: PlanWork, day: Day, book: Book): Operation[] {
  const makes = makeJobs(plan, day, book);
  const helped = helperHours(day, book.kitchen) > 0;
  const finishes = finishJobs(plan, day, book, makes, helped);
  const work = [...makes, ...finishes].map(withKind);
  const packs = packJobs(plan, day, book, finishes, helped);
  const classes = nutClasses.filter((nuts) => work.some((job) => nutClass(job.contains) === nuts));
  /** The part of the day to which something belongs; what holds more nuts than its part's work is packed at its end. */
  const partOf = ({ contains }: Operation) =>
    Math.max(
      0,
      classes.findLastIndex((each) => nutClasses.indexOf(each) <= nutClasses.indexOf(nutClass(contains))),
    );
  const parts = classes.map((_nuts, part) => [...work, ...packs].filter((job) => partOf(job) === part));
  const worked = classes.map((_nuts, part) => work.filter((job) => partOf(job) === part));
  const cleans = classes.slice(1).map((nuts, index): Operation => {
    const before = worked.slice(0, index + 1).flat();
    const off = inLabelOrder(
      new Set(
        before.flatMap((each) =>
          worked
            .slice(index + 1)
            .flat()
            .flatMap((later) => cleanOff(profileOf(each.contains), profileOf(later.contains))),
        ),
      ),
    );
    return {
      activity: {
        key: `clean ${nuts}`,
        minutes: book.kitchen.cleanMinutes,
        uses: [{ offset: 0, minutes: book.kitchen.cleanMinutes, anyOf: [MAKER] }],
        after: [
          ...keysOf(parts[index] ?? []),
          ...(index > 0 ? [{ key: `clean ${classes[index] ?? ''}`, lag: 0 }] : []),
        ],
      },
      words: plain('clean', 'Clean', `before ${nuts}${off.length > 0 ? `, off ${sayOff(off)}` : ''}`),
      contains: [],
    };
  });
  const inPart = (job: Operation): Operation => {
    const clean = cleans[partOf(job) - 1];
    return clean ? waitingFor(job, keysOf([clean])) : job;
  };
  const packed = packs.map((job) => {
    const moreNuts = classes[partOf(job)] !== nutClass(job.contains);
    return inPart(moreNuts ? waitingFor(job, keysOf(work.filter((each) => partOf(each) <= partOf(job)))) : job);
  });
  return [...work.map(inPart), ...cleans, ...packed];
}
