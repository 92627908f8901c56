import { finding, type Finding, type Subject } from '../finding/index.js';
import { inLabelOrder, type Allergen, type Contents } from '../ingredient/index.js';
import type { RecipeBook, RecipeFacts } from '../recipe/index.js';
import { cavityWrong, mouldedParts } from './cavity.js';
import { cutGrid } from './grid.js';
import { lifeFindings } from './life.js';
import type { PiecePart } from './part.js';
import type { BodyForm, CutForm, PieceFiled, PieceForm } from './schema.js';

/** What follows from a piece and its recipes. */
export interface PieceFacts extends Contents {
  readonly piece: PieceFiled;
  /** How long it keeps, days: its own life, or the shortest of its recipes. */
  readonly keepsDays: number;
  /** Nominal finished weight, g. */
  readonly weightGrams: number;
  readonly parts: readonly PiecePart[];
  readonly mayContain: readonly Allergen[];
  readonly complete: boolean;
  readonly findings: readonly Finding[];
}

/** The form that decides the count: the centre of a dipped piece, otherwise the form itself. */
export const bodyForm = (form: PieceForm): BodyForm => (form.kind === 'dipped' ? form.centre : form);

/** The recipe whose batches decide the count: the first filling of a moulded piece. */
export const bodyRecipeId = (form: PieceForm): string => {
  const body = bodyForm(form);
  return body.kind === 'moulded' ? (body.layers[0]?.recipeId ?? '') : body.recipeId;
};

/** Every recipe that a form names, each once. */
export const formRecipeIds = (form: PieceForm): string[] => {
  const body = bodyForm(form);
  const ids = [bodyRecipeId(form)];
  if (body.kind === 'rolled' && body.finish) ids.push(body.finish.recipeId);
  if (body.kind === 'moulded') ids.push(...body.layers.map((layer) => layer.recipeId), body.shell.recipeId);
  if (form.kind === 'dipped') ids.push(form.coatingRecipeId);
  return [...new Set(ids)];
};

/** Grams of its recipe that one piece takes, for the forms that are portioned by weight. */
function portionGrams(form: Exclude<BodyForm, CutForm>): number {
  switch (form.kind) {
    case 'broken':
      return form.servingGrams / (1 - form.crumbsPercent / 100);
    case 'rolled':
      return form.centreGrams;
    case 'piped':
      return form.depositGrams;
    case 'portion':
      return form.fillGrams;
    case 'moulded':
      return (form.layers[0]?.grams ?? 0) / (1 - form.breakagePercent / 100);
  }
}

/**
 * Whole pieces from one batch.
 *
 * @param multiple of the base batch
 * @param yieldGrams of the base batch
 * @returns a whole number, 0 or more. cut: pans x grid; broken: slab less crumbs / serving; moulded: first filling less
 * breakage / its share of a cavity; the others: mass / weight of one
 */
export function piecesPerBatch(form: BodyForm, multiple: number, yieldGrams: number): number {
  const exact =
    form.kind === 'cut'
      ? multiple * form.pansPerBatch * cutGrid(form).count
      : (multiple * yieldGrams) / portionGrams(form);
  return Math.max(0, Math.floor(exact + 1e-9));
}

/** What one piece's body weighs, and what it takes from its slab or bowl, both in g. */
function bodyWeight(form: BodyForm, yieldGrams: number): { grams: number; drawnGrams: number } {
  if (form.kind === 'cut') {
    const { count, usedShare } = cutGrid(form);
    if (count === 0) return { grams: 0, drawnGrams: 0 };
    const slabGrams = yieldGrams / form.pansPerBatch;
    return { grams: (slabGrams * usedShare) / count, drawnGrams: slabGrams / count };
  }
  const drawnGrams = portionGrams(form);
  if (form.kind === 'broken') return { grams: form.servingGrams, drawnGrams };
  if (form.kind === 'moulded') return { grams: form.layers[0]?.grams ?? 0, drawnGrams };
  return { grams: drawnGrams, drawnGrams };
}

/**
 * Works out one piece: its weight, its parts, what it contains.
 *
 * A cut piece weighs its share of the slab by area; a dipped piece's coating is a share of the finished weight:
 * coating = centre x p / (1 - p). Working pool: common practice, no source.
 * @returns findings when no piece fits, or when a recipe is missing or incomplete
 */
export function workOutPiece(piece: PieceFiled, book: RecipeBook): PieceFacts {
  const { form } = piece;
  const about: Subject<'piece'> = { noun: 'piece', id: piece.id, name: piece.name };
  const findings: Finding[] = [];
  const body = bodyForm(form);
  const bodyFacts = book.recipes.get(bodyRecipeId(form));
  const weight = bodyWeight(body, bodyFacts?.yieldGrams ?? 0);
  if (body.kind === 'cut' && cutGrid(body).count === 0) findings.push(finding('piece-does-not-fit', about, {}));

  const parts: PiecePart[] = [{ recipeId: bodyRecipeId(form), role: 'body', ...weight, readyGrams: weight.drawnGrams }];
  if (body.kind === 'rolled' && body.finish) {
    const grams = body.finish.gramsEach;
    parts.push({ recipeId: body.finish.recipeId, role: 'finish', grams, drawnGrams: grams, readyGrams: grams });
  }
  if (body.kind === 'moulded') {
    parts.push(...mouldedParts(body));
    const wrong = cavityWrong(body);
    if (wrong !== null) findings.push(finding('cavity-not-filled', about, { wrong }));
  }
  if (form.kind === 'dipped') {
    const centre = parts.reduce((sum, part) => sum + part.grams, 0);
    const share = form.coatingPercent / 100;
    const grams = (centre * share) / (1 - share);
    parts.push({
      recipeId: form.coatingRecipeId,
      role: 'coating',
      grams,
      drawnGrams: grams,
      readyGrams: grams * form.poolFactor,
    });
  }

  const recipes = parts.map((part) => book.recipes.get(part.recipeId));
  const known = recipes.filter((facts): facts is RecipeFacts => facts !== undefined);
  const complete = known.length === recipes.length && known.every((facts) => facts.complete) && weight.grams > 0;
  if (!complete && findings.length === 0) findings.push(finding('piece-incomplete', about, {}));
  const contains = inLabelOrder(known.flatMap((facts) => facts.contains));
  const keepsDays = piece.keepsDays ?? Math.max(1, Math.min(...known.map(({ recipe }) => recipe.keepsDays), 730));
  findings.push(...lifeFindings(piece, keepsDays, known, book));
  return {
    piece,
    keepsDays,
    weightGrams: parts.reduce((sum, part) => sum + part.grams, 0),
    parts,
    contains,
    mayContain: inLabelOrder(known.flatMap((facts) => facts.mayContain)).filter((code) => !contains.includes(code)),
    ingredientIds: new Set(known.flatMap((facts) => [...facts.ingredientsPerGram.keys()])),
    pieceIds: new Set([piece.id]),
    complete,
    findings,
  };
}
