import type { Book } from '../book/index.js';
import { allergens, inLabelOrder, type Allergen } from '../ingredient/index.js';
import { packBox, packedKey } from '../order/index.js';
import type { KitchenDraft } from '../kitchen/index.js';
import { sayCount, sayList, sayMinutes, type Day } from '../quantity/index.js';
import { finishStages, sayStage, type PieceFacts } from '../piece/index.js';
import { sayBatches, type Stretch } from '../recipe/index.js';
import type { Activity, ChangedOver, Changeover, Resource, Use } from '../schedule/index.js';
import {
  byLowLevelCode,
  allergensIn,
  cleanOff,
  nutClass,
  nutClasses,
  profileOf,
  type FinishWork,
  mouldShareOf,
  type Pack,
  partUses,
  type PlanWork,
  type ProductionRun,
  helperHours,
  toFridge,
  workByDay,
  type WorkOf,
} from '../plan/index.js';

/** What the strips of one activity say. */
export interface OperationWords {
  readonly kind: 'make' | 'finish' | 'pack' | 'clean';
  readonly name: string;
  /** How much, in few words. */
  readonly code: string;
  /** The recipe that is made; null for everything else. */
  readonly recipeId: string | null;
  /** The piece that is finished; null for everything else. */
  readonly pieceId: string | null;
  /** Which of its stages that is, from 0; null for everything else. */
  readonly stage: number | null;
  /** The boxes that are packed; null for everything else. */
  readonly pack: Pack | null;
  readonly pinned: boolean;
  /** What then rests by itself, and for how long; null minutes for what rests over night. */
  readonly hold: { readonly text: string; readonly minutes: number | null } | null;
}

/** An activity of a bench day with what it says and the allergens in it. */
export interface Operation {
  readonly activity: Activity;
  readonly words: OperationWords;
  readonly contains: readonly Allergen[];
}

export const MAKER = 'maker';
export const HELPER = 'helper';
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

/** The least that is worth dividing between two pairs of hands, minutes. */
const WORTH_SHARING = 20;

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
          words: {
            kind: 'make',
            name: recipeName,
            code: part === 0 && begins ? which : `${which}, then on`,
            recipeId,
            pieceId: null,
            stage: null,
            pack: null,
            pinned,
            hold: holdOf(stretch),
          },
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

/** Work in two halves when somebody helps and it is long enough, else in one. */
function shared(count: number, minutes: number, helped: boolean): { count: number; minutes: number }[] {
  const half = Math.ceil(count / 2);
  const parts = helped && minutes >= WORTH_SHARING && count > 1 ? [half, count - half] : [count];
  return parts.map((each) => ({ count: each, minutes: (minutes * each) / count }));
}

const plain = (
  kind: OperationWords['kind'],
  name: string,
  code: string,
  more: Partial<OperationWords> = {},
): OperationWords => ({
  kind,
  name,
  code,
  recipeId: null,
  pieceId: null,
  stage: null,
  pack: null,
  pinned: false,
  hold: null,
  ...more,
});

/** One stage of finishing pieces of a kind on a day. */
interface StageOnDay {
  readonly stage: FinishWork;
  count: number;
  minutes: number;
  /** Whether a body of it is made on the same day. */
  sameDay: boolean;
}

/** What is done on a day of each kind of piece, stage by stage. */
function stagesOn(plan: PlanWork, day: Day): Map<string, StageOnDay[]> {
  const found = new Map<string, StageOnDay[]>();
  for (const { pieceId, count, madeOn, work } of plan.finishings)
    for (const stage of work) {
      if (stage.day !== day) continue;
      const list = found.get(pieceId) ?? [];
      const same = list.find((each) => each.stage.stage === stage.stage);
      if (same) {
        same.count += count;
        same.minutes += stage.handsMinutes;
        same.sameDay ||= madeOn === day;
      } else list.push({ stage, count, minutes: stage.handsMinutes, sameDay: madeOn === day });
      found.set(pieceId, list);
    }
  return found;
}

/** Pieces that are cut, rolled, dipped or filled; divided in two when somebody helps. What leaves its moulds goes before what is filled. */
function finishJobs(plan: PlanWork, day: Day, book: Book, makes: readonly Operation[], helped: boolean): Operation[] {
  const onDay = [...stagesOn(plan, day)].flatMap(([pieceId, list]) => list.map((each) => ({ pieceId, ...each })));
  const keyOf = (pieceId: string, { stage }: FinishWork, part: number) =>
    `finish ${pieceId} ${String(stage)} ${String(part)}`;
  const partsOf = ({ count, minutes }: StageOnDay) => shared(count, minutes, helped);
  return onDay.flatMap((each) => {
    const { pieceId, stage, sameDay } = each;
    const facts = book.pieces.get(pieceId);
    const taken = new Set(facts ? partsUsedIn(facts, stage) : []);
    const waitsFor = new Set(
      (facts?.parts ?? []).flatMap(({ recipeId, role }) =>
        (role === 'body' ? sameDay && stage.stage === 0 : taken.has(recipeId)) ? [recipeId] : [],
      ),
    );
    const after = makes
      .filter(({ words }) => words.recipeId !== null && waitsFor.has(words.recipeId))
      .map(({ activity, words }) => ({ key: activity.key, lag: words.hold?.minutes ?? 0 }));
    const mould = facts && mouldShareOf(facts)?.key;
    const leaving = onDay.filter((other) => {
      const theirs = book.pieces.get(other.pieceId);
      return other.stage.stage > stage.stage && theirs && mould !== undefined && mouldShareOf(theirs)?.key === mould;
    });
    const free = leaving.flatMap((other) =>
      partsOf(other).map((_part, index) => ({ key: keyOf(other.pieceId, other.stage, index), lag: 0 })),
    );
    return partsOf(each).map((part, index): Operation => ({
      activity: {
        key: keyOf(pieceId, stage, index),
        minutes: part.minutes,
        uses: [{ offset: 0, minutes: part.minutes, anyOf: [MAKER, HELPER] }],
        after: [...after, ...free],
      },
      words: plain('finish', `${sayStage(stage)} ${facts?.piece.name ?? pieceId}`, sayCount(part.count, 'piece'), {
        pieceId,
        stage: stage.stage,
        pinned: stage.pinned,
        hold: facts ? restOfStage(facts, stage, day, book) : null,
      }),
      contains: facts?.contains ?? [],
    }));
  });
}

/** Recipes of which a stage of finishing a piece takes something. */
const partsUsedIn = (facts: PieceFacts, { stage, day }: FinishWork): string[] => {
  const days = finishStages(facts.piece).map((each, at) => ({
    ...each,
    stage: at,
    day: at === stage ? day : '',
    pinned: false,
    done: false,
  }));
  return partUses(facts, days).flatMap(({ part, day: on }) => (on === day ? [part.recipeId] : []));
};

/** What rests after a stage of finishing: in its moulds over night, or in the fridge where the room is too warm to set it. */
function restOfStage(facts: PieceFacts, { stage }: FinishWork, day: Day, book: Book): OperationWords['hold'] {
  const next = finishStages(facts.piece)[stage + 1];
  const cold = toFridge(facts, day, book.kitchen);
  if (next) return { text: cold ? 'sets over night, in the fridge' : 'sets over night in its moulds', minutes: null };
  return cold ? { text: 'sets in the fridge', minutes: null } : null;
}

/** Boxes that are packed: each when what goes into it is finished. */
const packJobs = (plan: PlanWork, day: Day, book: Book, finishes: readonly Operation[], helped: boolean): Operation[] =>
  plan.days
    .filter((each) => each.day === day)
    .flatMap(({ packs }) => packs)
    .flatMap((pack): Operation[] => {
      const facts = packBox(book, pack.boxId, pack)?.facts;
      const inside = new Set<string | null>(facts?.pieces.map(({ pieceId }) => pieceId));
      const after = keysOf(finishes.filter(({ words }) => inside.has(words.pieceId)));
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

/** The clean-down between work of two kinds in one part of the day; none where the kitchen gives it no minutes. */
export const cleaningOf = ({ kitchen }: Book): Changeover | undefined =>
  kitchen.cleanMinutes > 0
    ? {
        hands: [MAKER, HELPER],
        by: MAKER,
        minutes: kitchen.cleanMinutes,
        isNeeded: (from, to) =>
          nutClass(allergensIn(from)) === nutClass(allergensIn(to)) && cleanOff(from, to).length > 0,
      }
    : undefined;

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
