import { sealOrder } from '@usual-pantry/core/order';
import { cleanTexts, MOST_DEPTH, sayPath, type WrongValue } from '@usual-pantry/core/record';
import { moveSeason, readSeasonFile, type SeasonFile } from '@usual-pantry/core/season';
import type { Day } from '@usual-pantry/core/quantity';
import { depthOf } from '../http/depth.js';
import type { ProblemCode } from '../http/problems.js';
import { answerJobs } from '../thread/answer.js';

/** A season file as it was sent. */
export interface SeasonJob {
  readonly bytes: Uint8Array;
  /** Moves dates by whole weeks, so that the season lies ahead of this day; null leaves them. */
  readonly moveTo: Day | null;
}

/** The lists of a season file that can be long, in the order in which they can be stored. */
export const seasonLists = [
  'ingredients',
  'recipes',
  'pieces',
  'boxes',
  'orders',
  'batches',
  'recipeVersions',
  'messages',
] as const;
export type SeasonList = (typeof seasonLists)[number];

/** What is no list. */
export type SeasonHead = Pick<SeasonFile, 'kitchen' | 'plan'>;

/** How many records a file holds. */
export interface SeasonCounts {
  readonly ingredients: number;
  readonly recipes: number;
  readonly pieces: number;
  readonly boxes: number;
  readonly orders: number;
}

/** A file that can be taken, in pieces that are each read in no time; or why not. */
export type SeasonReading =
  | {
      readonly kind: 'taken';
      readonly counts: SeasonCounts;
      /** JSON of a {@link SeasonHead}. */
      readonly head: string;
      /** JSON of some records each. */
      readonly slices: readonly { readonly list: SeasonList; readonly json: string }[];
    }
  | {
      readonly kind: 'refused';
      readonly code: ProblemCode;
      readonly detail: string;
      readonly wrong: readonly { readonly path: string; readonly message: string }[];
    };

const SLICE = 50;

const countsOf = ({ ingredients, recipes, pieces, boxes, orders }: SeasonFile): SeasonCounts => ({
  ingredients: ingredients.length,
  recipes: recipes.length,
  pieces: pieces.length,
  boxes: boxes.length,
  orders: orders.length,
});

const refused = (code: ProblemCode, detail: string, wrong: readonly WrongValue[] = []): SeasonReading => ({
  kind: 'refused',
  code,
  detail,
  wrong: wrong.map(({ path, message }) => ({ path: sayPath(path), message })),
});

function sliced(file: SeasonFile): { list: SeasonList; json: string }[] {
  return seasonLists.flatMap((list) => {
    const records: readonly unknown[] = file[list];
    return Array.from({ length: Math.ceil(records.length / SLICE) }, (_, at) => ({
      list,
      json: JSON.stringify(records.slice(at * SLICE, (at + 1) * SLICE)),
    }));
  });
}

/** Reads and checks a season file. */
function readSeason({ bytes, moveTo }: SeasonJob): SeasonReading {
  if (depthOf(bytes) > MOST_DEPTH)
    return refused('too-deep', `That is nested deeper than ${String(MOST_DEPTH)} levels. Nothing was changed.`);
  let value: unknown;
  try {
    value = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch (error) {
    return refused('not-json', `That is not well-formed JSON. Nothing was changed. ${(error as Error).message}`);
  }
  const text = cleanTexts(value);
  const { file, wrong } = text.wrong.length > 0 ? { file: null, wrong: text.wrong } : readSeasonFile(text.value);
  if (!file)
    return refused(
      'wrong-values',
      'The file has wrong values. Nothing was changed: mend them and import it again.',
      wrong,
    );
  const moved = moveTo === null ? file : moveSeason(file, moveTo);
  const boxes = new Map(moved.boxes.map((box) => [box.id, { box }]));
  const { kitchen, plan } = moved;
  const head: SeasonHead = { kitchen, plan };
  return {
    kind: 'taken',
    counts: countsOf(moved),
    head: JSON.stringify(head),
    slices: sliced({ ...moved, orders: moved.orders.map((order) => sealOrder(order, boxes)) }),
  };
}

answerJobs(readSeason);
