import { z } from 'zod';
import { distinct } from '../ingredient/index.js';
import { amountSchema, percentSchema } from '../quantity/index.js';
import { filedShape, idSchema, nameSchema, noteSchema, storedShape } from '../record/index.js';

const millimetres = z.number('must be a number').positive('must be more than zero').max(2000, 'is absurdly large');
const smallMillimetres = z.number('must be a number').min(0, 'must not be negative').max(100, 'is absurdly large');

/** A slab in a pan, cut on a grid. The base batch fills `pansPerBatch` pans. */
const cutSchema = z
  .strictObject({
    kind: z.literal('cut'),
    recipeId: idSchema,
    panLengthMm: millimetres,
    panWidthMm: millimetres,
    edgeTrimMm: smallMillimetres.default(0),
    kerfMm: smallMillimetres.default(0),
    pieceLengthMm: millimetres,
    pieceWidthMm: millimetres,
    pansPerBatch: z.number().positive('must be more than zero').max(50).default(1),
  })
  .meta({ id: 'CutForm' });

/** A slab broken by hand into servings of a nominal weight. */
const brokenSchema = z
  .strictObject({
    kind: z.literal('broken'),
    recipeId: idSchema,
    crumbsPercent: percentSchema(60),
    servingGrams: amountSchema,
  })
  .meta({ id: 'BrokenForm' });

/** Portions by weight, rolled, with or without a finish such as cocoa. */
const rolledSchema = z
  .strictObject({
    kind: z.literal('rolled'),
    recipeId: idSchema,
    centreGrams: amountSchema,
    finish: z.strictObject({ recipeId: idSchema, gramsEach: amountSchema }).nullable().default(null),
  })
  .meta({ id: 'RolledForm' });

/** Deposited by a bag or a spoon, dusted or not. */
const pipedSchema = z
  .strictObject({ kind: z.literal('piped'), recipeId: idSchema, depositGrams: amountSchema })
  .meta({ id: 'PipedForm' });

/** A jar, a bag or a tart of one fill. */
const portionSchema = z
  .strictObject({ kind: z.literal('portion'), recipeId: idSchema, fillGrams: amountSchema })
  .meta({ id: 'PortionForm' });

const gramsPerMlSchema = z
  .number('must be a number')
  .min(0.1, 'must be 0.1 g/mL or more')
  .max(3, 'must be 3 g/mL or less');

/** A shell in a cavity, fillings in layers, a cap. The first layer's batches decide the count. */
const mouldedSchema = z
  .strictObject({
    kind: z.literal('moulded'),
    cavities: z.int('must be a whole number').min(1, 'must be one or more').max(500),
    cavityMl: z.number('must be a number').positive('must be more than zero').max(500, 'is absurdly large'),
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
  })
  .meta({ id: 'MouldedForm' });

/** A centre under a coating. The pot must hold `poolFactor` times the coating that stays on. */
const dippedSchema = z
  .strictObject({
    kind: z.literal('dipped'),
    centre: z.discriminatedUnion('kind', [cutSchema, brokenSchema, rolledSchema, pipedSchema]),
    coatingRecipeId: idSchema,
    /** Share of the finished weight. */
    coatingPercent: z.number('must be a number').min(1, 'must be 1 % or more').max(80),
    poolFactor: z.number('must be a number').min(1, 'must be 1 or more').max(10).default(1.5),
  })
  .meta({ id: 'DippedForm' });

export const formSchema = z
  .discriminatedUnion('kind', [
    cutSchema,
    brokenSchema,
    rolledSchema,
    dippedSchema,
    mouldedSchema,
    pipedSchema,
    portionSchema,
  ])
  .meta({ id: 'PieceForm' });

/** Flavours that migrate. Common practice, no source. */
export const strongFlavours = ['mint', 'smoke', 'citrus oil', 'coffee'] as const;
export const textures = ['crisp', 'soft'] as const;

/** What the maker writes of a piece. */
export const pieceDraftSchema = z
  .strictObject({
    name: nameSchema(),
    form: formSchema,
    /** Shelf life in days from the day on which its body is made; null takes that of its recipes, the shortest. */
    keepsDays: z.int('must be whole days').min(1, 'must be one day or more').max(730).nullable().default(null),
    /** Seconds of the maker's hands for each: cutting, rolling, dipping. */
    handSeconds: z.number('must be a number').min(0, 'must not be negative').max(3600),
    travel: z.enum(['travels', 'keep cool', 'local only']),
    /** Flavours that wander into whatever lies beside it. */
    strong: distinct(z.enum(strongFlavours)).default([]),
    texture: z.enum(textures).nullable().default(null),
    /** As it lies in the box; null where its form tells. */
    sizeMm: z
      .strictObject({ lengthMm: millimetres, widthMm: millimetres, heightMm: millimetres })
      .nullable()
      .default(null),
    colour: z.string().regex(/^#[0-9a-fA-F]{6}$/, 'must be a colour such as #8a5a2b'),
    notes: noteSchema,
  })
  .meta({ id: 'PieceDraft' });

export const pieceFiledSchema = pieceDraftSchema.safeExtend(filedShape).meta({ id: 'PieceFiled' });
export const pieceSchema = pieceDraftSchema.safeExtend(storedShape).meta({ id: 'Piece' });

export type CutForm = z.infer<typeof cutSchema>;
export type DippedForm = z.infer<typeof dippedSchema>;
export type MouldedForm = z.infer<typeof mouldedSchema>;
/** A form whose pieces come out of the batches of one recipe. */
export type CentreForm = DippedForm['centre'];
export type BodyForm = CentreForm | MouldedForm | z.infer<typeof portionSchema>;
export type PieceForm = z.infer<typeof formSchema>;
export type Travel = z.infer<typeof pieceDraftSchema>['travel'];
export type PieceDraft = z.infer<typeof pieceDraftSchema>;
export type PieceFiled = z.infer<typeof pieceFiledSchema>;
export type Piece = z.infer<typeof pieceSchema>;
