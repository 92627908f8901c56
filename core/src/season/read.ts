import { formRecipeIds } from '../piece/index.js';
import { addDays, daysBetween, type Day } from '../quantity/index.js';
import { orderRecipes, sayCycle } from '../recipe/index.js';
import { seasonFileSchema, type SeasonFile } from './schema.js';

/** One wrong value and where it stands: `orders[3].handOver.on`. */
export interface WrongValue {
  readonly path: string;
  readonly message: string;
}

/** A file that can be taken as it is, or every reason why not. */
export type Reading =
  | { readonly file: SeasonFile; readonly wrong: readonly [] }
  | { readonly file: null; readonly wrong: readonly WrongValue[] };

/** `['orders', 3, 'handOver']` as `orders[3].handOver`; the file itself is `(file)`. */
export const sayPath = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (text, key) =>
      typeof key === 'number'
        ? `${text}[${key}]`
        : text === ''
          ? String(key)
          : `${text}.${String(key)}`,
    '',
  ) || '(file)';

interface Identified {
  readonly id: string;
}

/** Every record named twice. */
const doubles = (noun: string, records: readonly Identified[]): WrongValue[] => {
  const seen = new Set<string>();
  return records.flatMap(({ id }, index) => {
    if (!seen.has(id)) {
      seen.add(id);
      return [];
    }
    return [{ path: `${noun}[${index}].id`, message: `"${id}" is there twice` }];
  });
};

/** Every name of a record that is not in the file, and every cycle of recipes. */
export function crossCheck(file: SeasonFile): WrongValue[] {
  const idsOf = (records: readonly Identified[]) => new Set(records.map((each) => each.id));
  const known = {
    ingredient: idsOf(file.ingredients),
    recipe: idsOf(file.recipes),
    piece: idsOf(file.pieces),
    box: idsOf(file.boxes),
  };
  const wrong: WrongValue[] = [
    ...doubles('ingredients', file.ingredients),
    ...doubles('recipes', file.recipes),
    ...doubles('pieces', file.pieces),
    ...doubles('boxes', file.boxes),
    ...doubles('orders', file.orders),
  ];
  const need = (noun: keyof typeof known, id: string, path: string) => {
    if (!known[noun].has(id)) wrong.push({ path, message: `there is no ${noun} "${id}" in the file` });
  };
  file.recipes.forEach((recipe, at) => {
    recipe.lines.forEach((line, index) => {
      need(line.uses.kind, line.uses.id, `recipes[${at}].lines[${index}].uses.id`);
    });
  });
  file.pieces.forEach((piece, at) => {
    for (const id of formRecipeIds(piece.form)) need('recipe', id, `pieces[${at}].form`);
  });
  file.boxes.forEach((box, at) => {
    box.cells.forEach((cell, index) => {
      if (cell) need('piece', cell.pieceId, `boxes[${at}].cells[${index}].pieceId`);
    });
  });
  file.orders.forEach((order, at) => {
    order.lines.forEach((line, index) => {
      need('box', line.boxId, `orders[${at}].lines[${index}].boxId`);
    });
    order.agreed.forEach((line, index) => {
      need('box', line.boxId, `orders[${at}].agreed[${index}].boxId`);
    });
  });
  const { cycle } = orderRecipes(file.recipes);
  if (cycle[0])
    wrong.push({
      path: `recipes[${file.recipes.indexOf(cycle[0])}].lines`,
      message: `a recipe cannot be made of itself: ${sayCycle(cycle)}`,
    });
  return wrong;
}

/**
 * Reads a season file.
 * @param value parsed JSON of any kind
 * @returns the file, or every wrong value with its path; nothing throws
 */
export function readSeasonFile(value: unknown): Reading {
  const parsed = seasonFileSchema.safeParse(value);
  if (!parsed.success)
    return {
      file: null,
      wrong: parsed.error.issues.map((issue) => ({
        path: sayPath(issue.path),
        message: issue.message,
      })),
    };
  const wrong = crossCheck(parsed.data);
  return wrong.length > 0 ? { file: null, wrong } : { file: parsed.data, wrong: [] };
}

/** The file with every date moved by whole weeks, so that `writtenFor` is `today` or one of the six days after it. Weekdays stay. */
export function moveSeason(file: SeasonFile, today: Day): SeasonFile {
  const weeks = Math.ceil(daysBetween(file.writtenFor, today) / 7);
  const shift = weeks * 7;
  return {
    ...file,
    writtenFor: addDays(file.writtenFor, shift),
    orders: file.orders.map((order) => ({
      ...order,
      handOver: { ...order.handOver, on: addDays(order.handOver.on, shift) },
    })),
  };
}
