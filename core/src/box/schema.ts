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
    /** What holds the pieces, or what fills the room between them. Neither is eaten. */
    kind: z.enum(['packaging', 'filler']).default('packaging'),
    costMinor: minorSchema,
    grams: gramsSchema.default(0),
  })
  .meta({ id: 'Packaging' });

const side = z.int('must be a whole number').min(1, 'must be one or more').max(12);
const insideMm = z.number('must be a number').min(5, 'must be 5 mm or more').max(600, 'is absurdly large');

/** The inner sizes of the cells: one width a column, one length a row. */
const traySchema = z
  .strictObject({
    columnsMm: z.array(insideMm).min(1).max(12),
    rowsMm: z.array(insideMm).min(1).max(12),
    depthMm: insideMm,
  })
  .meta({ id: 'Tray' });

/** The side of the package that is shown and read first, with the name of the food and the net quantity on it. */
const panelSchema = z.strictObject({ widthMm: insideMm, heightMm: insideMm }).meta({ id: 'DisplayPanel' });

/** What a customer buys when they buy a box. Cells run row by row from the top left, the upper layer first. */
const contentShape = {
  name: nameSchema(),
  /** What the label calls the food. */
  foodName: nameSchema(120),
  /** The same in French, for Canada; '' where nobody has said it. */
  foodNameFrench: z.string().trim().max(120).default(''),
  rows: side,
  columns: side,
  /** Trays on top of each other, all of one kind. */
  layers: z.int('must be a whole number').min(1, 'must be one or more').max(6).default(1),
  /** Null when the sizes are not known: then nothing is turned away. */
  tray: traySchema.nullable().default(null),
  /** Null when its size is not known: then the label says that it has to be. */
  panel: panelSchema.nullable().default(null),
  cells: z.array(cellSchema).max(288),
  packaging: z.array(packagingSchema).max(20).default([]),
  packMinutes: z.number('must be a number').min(0, 'must not be negative').max(240),
  priceMinor: minorSchema,
};

export const boxContentSchema = z.strictObject(contentShape).meta({ id: 'BoxContent' });

/** A box as it was sold before it was changed. */
const editionSchema = z.strictObject({ edition: z.int().min(1), content: boxContentSchema }).meta({ id: 'BoxEdition' });

/** What the maker writes of a box. */
export const boxDraftSchema = z
  .strictObject({
    ...contentShape,
    notes: noteSchema,
    /** Counts what was sold: a box that somebody has bought gets a new number when it changes. */
    edition: z.int().min(1).default(1),
    /** What was sold under earlier numbers, as long as an order refers to it. */
    editions: z.array(editionSchema).max(200).default([]),
  })
  .refine((box) => box.cells.length === box.rows * box.columns * box.layers, {
    path: ['cells'],
    message: 'must have one cell for each row and column of each layer',
  })
  .refine(
    ({ tray, rows, columns }) => tray === null || (tray.columnsMm.length === columns && tray.rowsMm.length === rows),
    { path: ['tray'], message: 'must have one width for each column and one length for each row' },
  )
  .meta({ id: 'BoxDraft' });

export const boxFiledSchema = boxDraftSchema.safeExtend(filedShape).meta({ id: 'BoxFiled' });
export const boxSchema = boxDraftSchema.safeExtend(storedShape).meta({ id: 'Box' });

export type BoxContent = z.infer<typeof boxContentSchema>;
export type BoxDraft = z.infer<typeof boxDraftSchema>;
export type BoxFiled = z.infer<typeof boxFiledSchema>;
export type Box = z.infer<typeof boxSchema>;
