import { z } from 'zod';
import { minorSchema, nameSchema, versionSchema } from '../record/index.js';

/** A weekday on which the maker works, and for how long. */
const benchDaySchema = z.strictObject({
  /** 0 Sunday to 6 Saturday. */
  weekday: z.int().min(0).max(6),
  hours: z.number('must be a number').positive('must be more than zero').max(18),
});

/** The maker, the kitchen's habits and what a label needs of them. One record. */
export const kitchenDraftSchema = z
  .strictObject({
    makerName: nameSchema(),
    address: z.string().trim().max(200).default(''),
    /** Editable text for the user's jurisdiction: a placeholder to be checked, never law. */
    homeKitchenStatement: z.string().trim().max(600).default(''),
    statementChecked: z.boolean().default(false),
    currency: z
      .string()
      .regex(/^[A-Z]{3}$/, 'must be a code such as USD')
      .default('USD'),
    handsRateMinorPerHour: minorSchema,
    /** Days between the last making day of a piece and the hand-over. */
    packingLeadDays: z.int().min(0).max(60).default(1),
    /** Days of life that a piece still has when it is handed over. */
    promisedDays: z.int().min(0).max(365).default(5),
    scaleStepGrams: z.number().min(0.01).max(100).default(1),
    benchWeek: z
      .array(benchDaySchema)
      .max(7)
      .refine((list) => new Set(list.map((each) => each.weekday)).size === list.length, 'names one weekday twice')
      .default([]),
    label: z
      .strictObject({
        widthMm: z.number().min(30, 'must be 30 mm or more').max(300, 'must be 300 mm or less'),
        heightMm: z.number().min(20, 'must be 20 mm or more').max(400, 'must be 400 mm or less'),
        twoPercentGroup: z.boolean(),
      })
      .default({ widthMm: 102, heightMm: 76, twoPercentGroup: true }),
  })
  .meta({ id: 'KitchenDraft' });

export const kitchenSchema = kitchenDraftSchema.safeExtend({ version: versionSchema }).meta({ id: 'Kitchen' });

export type KitchenDraft = z.infer<typeof kitchenDraftSchema>;
export type Kitchen = z.infer<typeof kitchenSchema>;

/** The statement that a new kitchen starts with: a placeholder, not law. */
export const PLACEHOLDER_STATEMENT =
  'Made in a home kitchen that is not inspected by the health department and that also handles common allergens.';

/** The kitchen of a pantry in which nothing has been set yet. */
export const emptyKitchen: KitchenDraft = kitchenDraftSchema.parse({
  makerName: 'My kitchen',
  homeKitchenStatement: PLACEHOLDER_STATEMENT,
  handsRateMinorPerHour: 2000,
});
