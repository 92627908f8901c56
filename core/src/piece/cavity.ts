import { sayNumber } from '../quantity/index.js';
import type { PiecePart } from './part.js';
import type { MouldedForm } from './schema.js';

/** Fillings and shell may miss the cavity by this share before the maker is asked. */
const CAVITY_TOLERANCE = 0.03;
/** Fillings that miss by more than this are not simply scaled: perhaps the piece is hollow. */
const FAR_OFF = 2;

/** How full the cavities of a moulded piece are. */
export interface CavityFill {
  /** What is left for the fillings between shell and cap, mL. */
  readonly fillingMl: number;
  /** What shell, cap and all fillings take, mL. */
  readonly filledMl: number;
  /** What every filling must be multiplied by to fill the cavity exactly. */
  readonly scale: number;
}

/** Volumes of a moulded piece, mL: shell + cap + fillings must equal the cavity. Geometry; no source needed. */
export function cavityFill(form: MouldedForm): CavityFill {
  const chocolateMl = (form.cavityMl * (form.shell.shellPercent + form.shell.capPercent)) / 100;
  const layersMl = form.layers.reduce((sum, { grams, gramsPerMl }) => sum + grams / gramsPerMl, 0);
  const fillingMl = Math.max(0, form.cavityMl - chocolateMl);
  return { fillingMl, filledMl: chocolateMl + layersMl, scale: fillingMl / layersMl };
}

/** What is wrong with how a cavity is filled, in words; null when nothing is. */
export function cavityWrong(form: MouldedForm): string | null {
  const { filledMl, fillingMl, scale } = cavityFill(form);
  const layersMl = form.layers.reduce((sum, { grams, gramsPerMl }) => sum + grams / gramsPerMl, 0);
  if (form.fill === 'hollow') {
    const most = Math.min(fillingMl, form.mostFillingMl ?? Infinity);
    return layersMl > most * (1 + CAVITY_TOLERANCE)
      ? `it is hollow and takes ${sayNumber(most, 1)} mL of fillings at most; ${sayNumber(layersMl, 1)} mL are given.`
      : null;
  }
  if (Math.abs(filledMl - form.cavityMl) <= form.cavityMl * CAVITY_TOLERANCE) return null;
  const found = `shell, cap and fillings take ${sayNumber(filledMl, 1)} mL of a cavity of ${sayNumber(form.cavityMl, 1)} mL.`;
  return scale > FAR_OFF
    ? `${found} Is it hollow? Then say so; if it is to be full, weigh what one cavity takes.`
    : `${found} Scale the fillings by ${sayNumber(scale, 2)}.`;
}

/** The form with its fillings scaled so that they fill the cavity. */
export const fillCavity = (form: MouldedForm): MouldedForm => {
  const { scale } = cavityFill(form);
  return { ...form, layers: form.layers.map((layer) => ({ ...layer, grams: layer.grams * scale })) };
};

/** Shell, cap and the fillings after the first, with what breaks charged to those that hold and the pool that fills the moulds. */
export function mouldedParts(form: MouldedForm): PiecePart[] {
  const whole = 1 - form.breakagePercent / 100;
  const shellGrams = (form.cavityMl * form.shell.gramsPerMl * (form.shell.shellPercent + form.shell.capPercent)) / 100;
  return [
    ...form.layers.slice(1).map(({ recipeId, grams }) => ({
      recipeId,
      role: 'layer' as const,
      grams,
      drawnGrams: grams / whole,
      readyGrams: grams / whole,
    })),
    {
      recipeId: form.shell.recipeId,
      role: 'shell',
      grams: shellGrams,
      drawnGrams: shellGrams / whole,
      readyGrams: (shellGrams / whole) * form.shell.poolFactor,
    },
  ];
}
