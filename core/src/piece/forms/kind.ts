import type { Finding, Subject } from '../../finding/index.js';
import type { PiecePart } from '../part.js';

/** What one piece's body weighs, and what it takes from its slab or bowl, both in g. */
export interface BodyWeight {
  readonly grams: number;
  readonly drawnGrams: number;
}

/** How long, wide and high something is, mm. */
export interface Sides {
  readonly lengthMm: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** All that is known of a form whose pieces come out of the batches of one recipe. One file a form; see docs/architecture.md. */
export interface BodyKind<Form> {
  /** The form as it starts, of a recipe. */
  readonly fresh: (recipeId: string) => Form;
  /** The recipe whose batches decide how many pieces there are. */
  readonly recipeId: (form: Form) => string;
  /** Pieces that come out of a batch, not yet whole. @param multiple of the base batch @param yieldGrams of the base batch */
  readonly piecesIn: (form: Form, multiple: number, yieldGrams: number) => number;
  /** @param yieldGrams of the base batch */
  readonly weight: (form: Form, yieldGrams: number) => BodyWeight;
  /** What comes to the body beside its own recipe: a finish, a shell, further fillings. */
  readonly moreParts: (form: Form) => readonly PiecePart[];
  /** How big it is without a coating, by what it weighs, mm; null where the form does not tell. */
  readonly sides: (form: Form, grams: number) => Sides | null;
  /** What cannot be right with it. */
  readonly findings: (form: Form, about: Subject<'piece'>) => readonly Finding[];
}

/** Fudge, ganache and toffee are about this dense, g/mL. Common practice, no source. */
const GRAMS_PER_ML = 1.25;

/** The room that a mass of confectionery takes, mm³. */
export const cubicMm = (grams: number): number => (grams / GRAMS_PER_ML) * 1000;

/** A ball of a mass. */
export function ball(grams: number): Sides {
  const across = Math.cbrt((cubicMm(grams) * 6) / Math.PI);
  return { lengthMm: across, widthMm: across, heightMm: across };
}

/** Pieces that are portioned by weight: as many as a batch holds. */
export const byWeight =
  <Form>(gramsOf: (form: Form) => number) =>
  (form: Form, multiple: number, yieldGrams: number): number =>
    (multiple * yieldGrams) / gramsOf(form);
