import type { SeasonCounts } from '@usual-pantry/core/api';
import { sealOrder } from '@usual-pantry/core/order';
import { moveSeason, readSeasonFile, type SeasonFile } from '@usual-pantry/core/season-file';
import type { Day } from '@usual-pantry/core/quantity';
import { readJson, refusedBody, type RefusedBody } from '../http/read-json.js';
import { answerJobs } from '../thread/answer.js';
import { seasonLists, type SeasonList } from './season-lists.js';

/** A season file as it was sent. */
export interface SeasonJob {
  readonly bytes: Uint8Array;
  /** Moves dates by whole weeks, so that the season lies ahead of this day; null leaves them. */
  readonly moveTo: Day | null;
}

/** What is no list. */
export type SeasonHead = Pick<SeasonFile, 'kitchen' | 'plan'>;

/** A file that can be taken, in pieces that are each read in no time. */
export interface ReadSeason {
  readonly counts: SeasonCounts;
  /** JSON of a {@link SeasonHead}. */
  readonly head: string;
  /** JSON of some records each. */
  readonly slices: readonly { readonly list: SeasonList; readonly json: string }[];
}

const SLICE = 50;

const countsOf = ({ ingredients, recipes, pieces, boxes, orders }: SeasonFile): SeasonCounts => ({
  ingredients: ingredients.length,
  recipes: recipes.length,
  pieces: pieces.length,
  boxes: boxes.length,
  orders: orders.length,
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
function readSeason({ bytes, moveTo }: SeasonJob): ReadSeason | { readonly refused: RefusedBody } {
  const read = readJson(bytes);
  if ('refused' in read) return read;
  const { file, wrong } = readSeasonFile(read.value);
  if (!file)
    return refusedBody(
      'wrong-values',
      'The file has wrong values. Nothing was changed: mend them and import it again.',
      wrong,
    );
  const moved = moveTo === null ? file : moveSeason(file, moveTo);
  const boxes = new Map(moved.boxes.map((box) => [box.id, { box }]));
  const { kitchen, plan } = moved;
  const head: SeasonHead = { kitchen, plan };
  return {
    counts: countsOf(moved),
    head: JSON.stringify(head),
    slices: sliced({ ...moved, orders: moved.orders.map((order) => sealOrder(order, boxes)) }),
  };
}

answerJobs(readSeason);
