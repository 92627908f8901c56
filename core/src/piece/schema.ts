import { z } from 'zod';
import { distinct } from '../ingredient/index.js';
import { formSchema } from './forms/index.js';
import { millimetres } from './forms/schema.js';
import { filedShape, nameSchema, noteSchema, storedShape } from '../record/index.js';
import { airLimitSchema, ANY_AIR, standsColdSchema } from '../room/index.js';

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
    /** How warm and how damp the room may be in which it is finished: rolled, dipped, filled, set. */
    air: airLimitSchema.default(ANY_AIR),
    /** Whether it is finished on a warmer day all the same, and set in the fridge. */
    setsInFridge: z.boolean().default(false),
    /** How warm and how damp the room may be in which it stands after that, until it is handed over; of no matter where it stands cold. */
    keepsAir: airLimitSchema.default(ANY_AIR),
    /** Where it stands from its finishing until it is handed over; null for a shelf. */
    stands: standsColdSchema.nullable().default(null),
    /** Its last nights before the hand-over, in which it thaws in the fridge; of no matter where it does not stand in the freezer. */
    thawNights: z.int('must be whole nights').min(0, 'must not be negative').max(7, 'is absurdly long').default(0),
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

export type Travel = z.infer<typeof pieceDraftSchema>['travel'];
export type PieceDraft = z.infer<typeof pieceDraftSchema>;
export type PieceFiled = z.infer<typeof pieceFiledSchema>;
export type Piece = z.infer<typeof pieceSchema>;
