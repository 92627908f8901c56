import { z } from 'zod';
import { distinct } from '../ingredient/index.js';
import { gramsSchema } from '../quantity/index.js';
import { filedShape, idSchema, minorSchema, nameSchema, noteSchema, storedShape } from '../record/index.js';

/** A cell of the tray with what lies in it; null is empty. */
const cellSchema = z
  .strictObject({
    pieceId: idSchema,
    count: z.int('must be a whole number').min(1, 'must be one or more').max(200),
    /** Pieces that may take its place when an order rules it out, the preferred one first. */
    standIns: distinct(idSchema).default([]),
  })
  .nullable()
  .meta({ id: 'Cell' });

const packagingSchema = z
  .strictObject({
    name: nameSchema(60),
    costMinor: minorSchema,
    grams: gramsSchema.default(0),
  })
  .meta({ id: 'Packaging' });

const side = z.int('must be a whole number').min(1, 'must be one or more').max(12);

/** What the maker writes of a box. Cells run row by row from the top left. */
export const boxDraftSchema = z
  .strictObject({
    name: nameSchema(),
    /** What the label calls the food. */
    foodName: nameSchema(120),
    rows: side,
    columns: side,
    cells: z.array(cellSchema).max(144),
    packaging: z.array(packagingSchema).max(20).default([]),
    packMinutes: z.number('must be a number').min(0, 'must not be negative').max(240),
    priceMinor: minorSchema,
    notes: noteSchema,
  })
  .refine((box) => box.cells.length === box.rows * box.columns, {
    path: ['cells'],
    message: 'must have one cell for each row and column',
  })
  .meta({ id: 'BoxDraft' });

export const boxFiledSchema = boxDraftSchema.safeExtend(filedShape).meta({ id: 'BoxFiled' });
export const boxSchema = boxDraftSchema.safeExtend(storedShape).meta({ id: 'Box' });

export type Cell = z.infer<typeof cellSchema>;
export type BoxDraft = z.infer<typeof boxDraftSchema>;
export type BoxFiled = z.infer<typeof boxFiledSchema>;
export type Box = z.infer<typeof boxSchema>;
