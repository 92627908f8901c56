/** Injection token of the {@link Scale}. */
export const SCALE = Symbol('SCALE');

/** Something that weighs. */
export interface Scale {
  /** The net weight of what stands on it, g. @param aboutGrams what is expected: a real one does not ask */
  read: (aboutGrams: number) => Promise<number>;
}
