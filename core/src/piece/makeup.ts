import { finding, type Finding, type Subject } from '../finding/index.js';
import { inLabelOrder, type Allergen, type Contents } from '../ingredient/index.js';
import type { RecipeBook, RecipeFacts } from '../recipe/index.js';
import { coatingOf, finishPart, kindOf, type BodyForm, type PieceForm } from './forms/index.js';
import { lifeFindings } from './life.js';
import type { PiecePart } from './part.js';
import type { PieceFiled } from './schema.js';

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
  return kindOf(body).recipeId(body);
};

/** Every recipe that a form names, each once. */
export const formRecipeIds = (form: PieceForm): string[] => {
  const body = bodyForm(form);
  const others = kindOf(body).moreParts(body);
  return [
    ...new Set([
      bodyRecipeId(form),
      ...others.map(({ recipeId }) => recipeId),
      ...(form.kind === 'dipped' ? [form.coatingRecipeId, ...(form.finish ? [form.finish.recipeId] : [])] : []),
    ]),
  ];
};

/**
 * Whole pieces from one batch.
 *
 * @param multiple of the base batch
 * @param yieldGrams of the base batch
 * @returns a whole number, 0 or more. cut: pans x grid; broken: slab less crumbs / serving; moulded: first filling less
 * breakage / its share of a cavity; the others: mass / weight of one
 */
export const piecesPerBatch = (form: BodyForm, multiple: number, yieldGrams: number): number =>
  Math.max(0, Math.floor(kindOf(form).piecesIn(form, multiple, yieldGrams) + 1e-9));

/** Pieces that a base batch gives before they are whole. @param yieldGrams of the base batch */
export const piecesPerBase = (form: BodyForm, yieldGrams: number): number => kindOf(form).piecesIn(form, 1, yieldGrams);

/**
 * Works out one piece: its weight, its parts, what it contains.
 *
 * What follows from its form is in the file of that form, under forms/.
 * @returns findings when no piece fits, or when a recipe is missing or incomplete
 */
export function workOutPiece(piece: PieceFiled, book: RecipeBook): PieceFacts {
  const { form } = piece;
  const about: Subject<'piece'> = { noun: 'piece', id: piece.id, name: piece.name };
  const findings: Finding[] = [];
  const body = bodyForm(form);
  const bodyFacts = book.recipes.get(bodyRecipeId(form));
  const kind = kindOf(body);
  const weight = kind.weight(body, bodyFacts?.yieldGrams ?? 0);
  findings.push(...kind.findings(body, about));
  const parts: PiecePart[] = [
    { recipeId: bodyRecipeId(form), role: 'body', ...weight, readyGrams: weight.drawnGrams },
    ...kind.moreParts(body),
  ];
  if (form.kind === 'dipped')
    parts.push(
      coatingOf(
        form,
        parts.reduce((sum, part) => sum + part.grams, 0),
      ),
      ...finishPart(form.finish),
    );

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
