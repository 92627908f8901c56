import { z } from 'zod';
import { finding } from '../../finding/index.js';
import { amountSchema, percentSchema, sayNumber } from '../../quantity/index.js';
import { idSchema } from '../../record/index.js';
import type { PiecePart } from '../part.js';
import { byWeight, type BodyKind } from './kind.js';
import { finishPart, finishSchema } from './schema.js';

const gramsPerMlSchema = z
  .number('must be a number')
  .min(0.1, 'must be 0.1 g/mL or more')
  .max(3, 'must be 3 g/mL or less');

/** What is done to a moulded piece, in this order. */
export const mouldStages = ['shell', 'fill', 'cap', 'knock out'] as const;
export type MouldStage = (typeof mouldStages)[number];

/** One stage: how long the hands take for each piece, and how many nights it then sets before the next. */
const mouldStageSchema = z
  .strictObject({
    stage: z.enum(mouldStages),
    handSeconds: z.number('must be a number').min(0, 'must not be negative').max(3600),
    nightsAfter: z.int('must be whole nights').min(0, 'must not be negative').max(14).default(0),
  })
  .meta({ id: 'MouldStage' });

/** A shell in a cavity, fillings in layers, a cap. The first layer's batches decide the count. */
export const mouldedSchema = z
  .strictObject({
    kind: z.literal('moulded'),
    cavities: z.int('must be a whole number').min(1, 'must be one or more').max(500),
    cavityMl: z.number('must be a number').positive('must be more than zero').max(500, 'is absurdly large'),
    /** Cavities that one piece takes: two half shells make a sphere. */
    cavitiesEach: z.int('must be a whole number').min(1, 'must be one or more').max(4).default(1),
    /** Moulds of that kind in hand, and how often each can be filled in a day. */
    moulds: z.int('must be a whole number').min(1, 'must be one or more').max(200).default(1),
    turnsPerDay: z.number('must be a number').positive('must be more than zero').max(24).default(1),
    shell: z.strictObject({
      recipeId: idSchema,
      /** Shares of the cavity's volume. */
      shellPercent: z.number('must be a number').min(1, 'must be 1 % or more').max(90),
      capPercent: z.number('must be a number').min(0, 'must not be negative').max(60),
      gramsPerMl: gramsPerMlSchema.default(1.25),
      poolFactor: z.number('must be a number').min(1, 'must be 1 or more').max(20).default(3),
    }),
    layers: z
      .array(z.strictObject({ recipeId: idSchema, grams: amountSchema, gramsPerMl: gramsPerMlSchema.default(1.15) }))
      .min(1, 'must have a filling')
      .max(6),
    breakagePercent: percentSchema(60).default(3),
    /** Full to the cap; or hollow, as two half shells with a spoonful between them. */
    fill: z.enum(['full', 'hollow']).default('full'),
    /** What a hollow one takes of fillings at most, mL; null where that is not known. */
    mostFillingMl: z.number('must be a number').positive('must be more than zero').max(500).nullable().default(null),
    /** What it is dusted with. */
    finish: finishSchema,
    /** Its stages in their order, when they are on more than one day; none when it is finished in one go. */
    stages: z
      .array(mouldStageSchema)
      .max(mouldStages.length)
      .refine(
        (list) =>
          list.every(({ stage }, at) => {
            const before = list[at - 1];
            return !before || mouldStages.indexOf(before.stage) < mouldStages.indexOf(stage);
          }),
        'must come in their order, each once: shell, fill, cap, knock out',
      )
      .refine((list) => (list.at(-1)?.nightsAfter ?? 0) === 0, 'must not set after the last: nothing is done then')
      .default([]),
  })
  .meta({ id: 'MouldedForm' });
export type MouldedForm = z.infer<typeof mouldedSchema>;

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

/** The room of all the cavities of a piece, mL. */
export const roomOf = ({ cavityMl, cavitiesEach }: Pick<MouldedForm, 'cavityMl' | 'cavitiesEach'>): number =>
  cavityMl * cavitiesEach;

/** Volumes of a moulded piece, mL: shell + cap + fillings must equal the cavity. Geometry; no source needed. */
export function cavityFill(form: MouldedForm): CavityFill {
  const wholeMl = roomOf(form);
  const chocolateMl = (wholeMl * (form.shell.shellPercent + form.shell.capPercent)) / 100;
  const layersMl = form.layers.reduce((sum, { grams, gramsPerMl }) => sum + grams / gramsPerMl, 0);
  const fillingMl = Math.max(0, wholeMl - chocolateMl);
  return { fillingMl, filledMl: chocolateMl + layersMl, scale: fillingMl / layersMl };
}

/** What is wrong with how a cavity is filled, in words; null when nothing is. */
function cavityWrong(form: MouldedForm): string | null {
  const { filledMl, fillingMl, scale } = cavityFill(form);
  const layersMl = form.layers.reduce((sum, { grams, gramsPerMl }) => sum + grams / gramsPerMl, 0);
  if (form.fill === 'hollow') {
    const most = Math.min(fillingMl, form.mostFillingMl ?? Infinity);
    return layersMl > most * (1 + CAVITY_TOLERANCE)
      ? `it is hollow and takes ${sayNumber(most, 1)} mL of fillings at most; ${sayNumber(layersMl, 1)} mL are given.`
      : null;
  }
  const wholeMl = roomOf(form);
  if (Math.abs(filledMl - wholeMl) <= wholeMl * CAVITY_TOLERANCE) return null;
  const cavities = form.cavitiesEach > 1 ? `${String(form.cavitiesEach)} cavities` : 'a cavity';
  const found = `shell, cap and fillings take ${sayNumber(filledMl, 1)} mL of ${cavities} of ${sayNumber(wholeMl, 1)} mL.`;
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
function mouldedParts(form: MouldedForm): PiecePart[] {
  const whole = 1 - form.breakagePercent / 100;
  const shellGrams = (roomOf(form) * form.shell.gramsPerMl * (form.shell.shellPercent + form.shell.capPercent)) / 100;
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
    ...finishPart(form.finish),
  ];
}

/** What one piece takes of the first filling, with what breaks charged to those that hold, g. */
const drawnGrams = ({ layers, breakagePercent }: MouldedForm): number =>
  (layers[0]?.grams ?? 0) / (1 - breakagePercent / 100);

export const moulded: BodyKind<MouldedForm> = {
  fresh: (recipeId) => ({
    kind: 'moulded',
    cavities: 24,
    cavityMl: 9,
    cavitiesEach: 1,
    moulds: 1,
    turnsPerDay: 2,
    shell: { recipeId: '', shellPercent: 30, capPercent: 10, gramsPerMl: 1.25, poolFactor: 3 },
    layers: [{ recipeId, grams: 6.2, gramsPerMl: 1.15 }],
    breakagePercent: 3,
    fill: 'full',
    mostFillingMl: null,
    finish: null,
    stages: [],
  }),
  // The first filling's batches decide the count.
  recipeId: ({ layers }) => layers[0]?.recipeId ?? '',
  piecesIn: byWeight(drawnGrams),
  weight: (form) => ({ grams: form.layers[0]?.grams ?? 0, drawnGrams: drawnGrams(form) }),
  moreParts: mouldedParts,
  // Half a ball of the cavity's volume; two of them make a whole one.
  sides: ({ cavityMl, cavitiesEach }) => {
    const radius = Math.cbrt((cavityMl * 1000 * 3) / (2 * Math.PI));
    return { lengthMm: 2 * radius, widthMm: 2 * radius, heightMm: cavitiesEach > 1 ? 2 * radius : radius };
  },
  findings: (form, about) => {
    const wrong = cavityWrong(form);
    return wrong === null ? [] : [finding('cavity-not-filled', about, { wrong })];
  },
};
