import { z } from 'zod';
import { allergenCodes, distinct } from '../ingredient/index.js';
import { type Conventions, percentSchema, writingSchema } from '../quantity/index.js';
import { daySchema, minorSchema, nameSchema, versionSchema } from '../record/index.js';
import { coldPlaceSchema, humidityPercentSchema, roomCelsiusSchema } from '../room/index.js';

/** When a day at the bench begins, in minutes after midnight; null where nobody has said. */
const beginsSchema = z
  .int('must be a time such as 18:00')
  .min(0, 'must be a time such as 18:00')
  .max(24 * 60 - 1, 'must be a time such as 18:00')
  .nullable()
  .default(null);

/** A weekday on which the maker works, from when, and for how long. */
const benchDaySchema = z.strictObject({
  /** 0 Sunday to 6 Saturday. */
  weekday: z.int().min(0).max(6),
  hours: z.number('must be a number').positive('must be more than zero').max(18),
  begins: beginsSchema,
});

/** One day that is not as its weekday is. */
const dayChangeSchema = z
  .strictObject({
    day: daySchema,
    /** Hours of the maker; null for those of the weekday, 0 for a day that is lost. */
    hours: z.number('must be a number').min(0, 'must not be negative').max(18).nullable().default(null),
    /** When it begins; null as on its weekday. */
    begins: beginsSchema,
    /** Hours of somebody who helps. */
    helperHours: z.number('must be a number').min(0, 'must not be negative').max(40).default(0),
    /** A humid day: nothing that draws damp is made on it. */
    humid: z.boolean().default(false),
    /** How warm the room will be, or was; null where nobody has said. */
    roomCelsius: roomCelsiusSchema.nullable().default(null),
    /** How humid it will be, or was; null where nobody has said. */
    humidityPercent: humidityPercentSchema.nullable().default(null),
  })
  .meta({ id: 'DayChange' });

/** A shop, and the weekdays on which it is gone to or on which it delivers; a shop that is not named is there on any day. */
const shopSchema = z
  .strictObject({
    name: nameSchema(60),
    /** 0 Sunday to 6 Saturday. */
    weekdays: distinct(z.int().min(0).max(6)).refine((list) => list.length > 0, 'must name a day'),
  })
  .meta({ id: 'Shop' });

/** Days on which the kitchen is closed, both ends among them: nothing is made and nothing is handed over. */
const closureSchema = z
  .strictObject({ from: daySchema, to: daySchema, reason: z.string().trim().max(100).default('') })
  .refine(({ from, to }) => from <= to, { message: 'must not be before the first day', path: ['to'] })
  .meta({ id: 'Closure' });

const shortMinutes = z
  .number('must be a number')
  .min(0, 'must not be negative')
  .max(240, 'is absurdly long')
  .default(0);

const ownedCount = z
  .int('must be a whole number')
  .min(1, 'must be one or more')
  .max(200, 'is absurdly many')
  .default(1);
const sideMm = z.number('must be a number').min(20, 'must be 20 mm or more').max(2000, 'is absurdly large');

const potSchema = z
  .strictObject({
    name: nameSchema(60),
    litres: z.number('must be a number').positive('must be more than zero').max(200, 'is absurdly large'),
  })
  .meta({ id: 'Pot' });

const panSchema = z
  .strictObject({
    name: nameSchema(60),
    lengthMm: sideMm,
    widthMm: sideMm,
    depthMm: z.number('must be a number').positive('must be more than zero').max(300, 'is absurdly deep'),
    count: ownedCount,
  })
  .meta({ id: 'Pan' });

const mouldSchema = z
  .strictObject({
    name: nameSchema(60),
    cavities: z.int('must be a whole number').min(1, 'must be one or more').max(500, 'is absurdly many'),
    cavityMl: z.number('must be a number').positive('must be more than zero').max(500, 'is absurdly large'),
    count: ownedCount,
  })
  .meta({ id: 'Mould' });

/** What the bench is cleaned for between two kinds of work. */
export const cleanRules = ['what orders rule out', 'my list', 'everything'] as const;

/** What a cup and a spoon mean where they are not said: by where the maker's recipes come from. */
export const measureHabits = ['US', 'UK', 'Australia', 'metric'] as const;

/** Where a label must hold, by code; the rules of each stand in label/schools/. */
export const schoolCodes = ['us', 'eu', 'uk', 'canada', 'anz'] as const;
export const schoolCodeSchema = z.enum(schoolCodes).meta({ id: 'LabelSchool' });
/** What the places are called. */
export const schoolNames = {
  us: 'United States',
  eu: 'European Union',
  uk: 'United Kingdom',
  canada: 'Canada',
  anz: 'Australia and New Zealand',
} as const satisfies Record<SchoolCode, string>;

export type SchoolCode = (typeof schoolCodes)[number];

/** How an assortment is declared: as one list, piece by piece, or in both ways. */
export const declaringWays = ['merged', 'by piece', 'both'] as const;

/** The paragraphs of a label, in the order in which they stand where nobody has said otherwise. */
export const blockKinds = [
  'name',
  'food',
  'ingredients',
  'piece',
  'contains',
  'also',
  'may',
  'warning',
  'nutrition',
  'dates',
  'storage',
  'lot',
  'maker',
  'permit',
  'statement',
  'net',
] as const;
export type BlockKind = (typeof blockKinds)[number];

const sheetMm = (least: number) =>
  z.number('must be a number').min(least, 'is too small').max(450, 'is absurdly large');

/** A sheet of labels that is none of the common ones; its cells lie in the middle of the paper. */
export const ownSheetSchema = z
  .strictObject({
    paper: z.enum(['A4', 'Letter']),
    columns: z.int('must be a whole number').min(1, 'must be one or more').max(20),
    rows: z.int('must be a whole number').min(1, 'must be one or more').max(40),
    widthMm: sheetMm(10),
    heightMm: sheetMm(10),
    gapXMm: sheetMm(0),
    gapYMm: sheetMm(0),
  })
  .meta({ id: 'OwnSheet' });

export type OwnSheet = z.infer<typeof ownSheetSchema>;

const shiftMm = z
  .number('must be a number')
  .min(-20, 'must be 20 mm or less')
  .max(20, 'must be 20 mm or less')
  .default(0);

/** A picture as it is kept: a PNG that this program has written itself. */
const logoSchema = z
  .string()
  .regex(/^data:image\/png;base64,[A-Za-z0-9+/=]+$/, 'must be a picture')
  .max(400_000, 'is too large: 300 kB at most')
  .nullable()
  .default(null);

/** What is read first: the name of the food and the net quantity stand on the display panel (21 CFR 101.3 and 101.7, from memory). */
export const firstKinds: readonly BlockKind[] = ['name', 'food', 'net'];

/** What goes on a second label where nobody has said otherwise. */
const secondAtFirst = [
  'ingredients',
  'piece',
  'contains',
  'also',
  'may',
  'warning',
  'nutrition',
  'storage',
  'permit',
  'statement',
] as const satisfies readonly BlockKind[];

/** How labels are written and how large they are. */
export const labelSettingsSchema = z
  .strictObject({
    school: schoolCodeSchema.default('us'),
    declared: z.enum(declaringWays).default('merged'),
    widthMm: z.number().min(30, 'must be 30 mm or more').max(300, 'must be 300 mm or less').default(102),
    heightMm: z.number().min(20, 'must be 20 mm or more').max(400, 'must be 400 mm or less').default(76),
    twoPercentGroup: z.boolean().default(true),
    /** Whether there is a second label, for the back, or for the base of a box whose lid has the first. */
    second: z.enum(['none', 'back', 'base']).default('none'),
    /** What stands on the second one. */
    secondKinds: distinct(z.enum(blockKinds))
      .refine((kinds) => kinds.every((kind) => !firstKinds.includes(kind)), 'names what must be read first')
      .default([...secondAtFirst]),
    /** How far paper is printed beyond the edge of a single label that is cut out, mm. */
    bleedMm: z.number('must be a number').min(0, 'must not be negative').max(5, 'must be 5 mm or less').default(0),
    /** How it is to be kept. */
    storage: z.string().trim().max(200).default(''),
    /** The number of a permit or registration, with its words. */
    permit: z.string().trim().max(120).default(''),
    /** The home-kitchen statement in French, for Canada. */
    statementFrench: z.string().trim().max(600).default(''),
    /** Kinds of paragraphs that come first, in this order; the others follow as usual. */
    order: distinct(z.enum(blockKinds)).default([]),
    /** The colour of the name. */
    accent: z
      .string()
      .regex(/^#[0-9a-f]{6}$/i, 'must be a colour such as #1e3f66')
      .default('#000000'),
    /** In which face the name is set. */
    nameFace: z.enum(['heading', 'bold']).default('heading'),
    logo: logoSchema,
    /** What carries the lot for a reader of codes. */
    code: z.enum(['none', 'qr', 'bars']).default('none'),
    /** Whether an estimate of the nutrition stands on the label. */
    nutrition: z.boolean().default(false),
    /** One label a page, a common sheet by its id, or the own one. */
    sheet: z.string().max(40).default('single'),
    ownSheet: ownSheetSchema.nullable().default(null),
    offsetXMm: shiftMm,
    offsetYMm: shiftMm,
  })
  .meta({ id: 'LabelSettings' });

/** How it goes at the pot. */
const atBenchSchema = z
  .strictObject({
    /** From the alarm until the pot is off the heat, s. */
    reactionSeconds: z
      .number('must be a number')
      .min(0, 'must not be negative')
      .max(120, 'must be 120 or less')
      .default(6),
    /** How much warmer a pot still gets when it is off the heat, K. */
    carryOverKelvin: z
      .number('must be a number')
      .min(0, 'must not be negative')
      .max(15, 'must be 15 or less')
      .default(1),
  })
  .meta({ id: 'AtBench' });

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
    /** What is asked for in advance, percent of the price. */
    depositPercent: percentSchema(100).default(0),
    /** Days between the last making day of a piece and the hand-over. */
    packingLeadDays: z.int().min(0).max(60).default(1),
    /** How sure it must be that the pieces made cover the orders, given how much a recipe's yield varies. */
    surePercent: z
      .number('must be a number')
      .min(50, 'must be 50 or more')
      .max(99.9, 'must be 99.9 or less')
      .default(95),
    /** Days of life that a piece still has when it is handed over. */
    promisedDays: z.int().min(0).max(365).default(5),
    /** Of the pieces that are left over when a season is over, so many are sold all the same. */
    leftOverSoldPercent: percentSchema(100).default(0),
    scaleStepGrams: z.number().min(0.01).max(100).default(1),
    benchWeek: z
      .array(benchDaySchema)
      .max(7)
      .refine((list) => new Set(list.map((each) => each.weekday)).size === list.length, 'names one weekday twice')
      .default([]),
    dayChanges: z
      .array(dayChangeSchema)
      .max(400)
      .refine((list) => new Set(list.map((each) => each.day)).size === list.length, 'names one day twice')
      .default([]),
    /** Minutes over its hours that a day can take, paid at time and a half in the plan's sums. */
    overtimeMinutes: shortMinutes,
    /** Minutes of getting ready for each recipe on each day. */
    setUpMinutes: shortMinutes,
    /** Minutes of cleaning the bench and what was used on it, before something that must not take on what was there. */
    cleanMinutes: shortMinutes,
    /** What the bench is cleaned for, beside tree nuts and peanuts. */
    cleanFor: z.enum(cleanRules).default('what orders rule out'),
    /** The maker's own list of what it is cleaned for. */
    cleanList: distinct(z.enum(allergenCodes)).default([]),
    altitudeMetres: z
      .number('must be a number')
      .min(-450, 'is below any kitchen')
      .max(5500, 'is above any kitchen')
      .default(0),
    /** What the thermometer reads in boiling water; null when it was never tried. */
    boilingReadingCelsius: z
      .number('must be a number')
      .min(75, 'is too low for boiling water')
      .max(110, 'is too high for boiling water')
      .nullable()
      .default(null),
    temperatureFirst: z.enum(['C', 'F']).default('C'),
    measures: z.enum(measureHabits).default('US'),
    writing: writingSchema.default(writingSchema.parse({})),
    pots: z.array(potSchema).max(40).default([]),
    pans: z.array(panSchema).max(40).default([]),
    moulds: z.array(mouldSchema).max(40).default([]),
    burners: z.int('must be a whole number').min(0, 'must not be negative').max(20).default(2),
    /** Fridge, freezer and cool cupboard: what room there is in them. */
    coldPlaces: z.array(coldPlaceSchema).max(20).default([]),
    shops: z
      .array(shopSchema)
      .max(60)
      .refine(
        (list) => new Set(list.map(({ name }) => name.toLowerCase())).size === list.length,
        'names one shop twice',
      )
      .default([]),
    closures: z.array(closureSchema).max(100).default([]),
    label: labelSettingsSchema.default(labelSettingsSchema.parse({})),
    atBench: atBenchSchema.default(atBenchSchema.parse({})),
  })
  .meta({ id: 'KitchenDraft' });

export const kitchenSchema = kitchenDraftSchema.safeExtend({ version: versionSchema }).meta({ id: 'Kitchen' });

export type KitchenDraft = z.infer<typeof kitchenDraftSchema>;
export type Pan = z.infer<typeof panSchema>;
export type DayChange = z.infer<typeof dayChangeSchema>;
export type LabelSettings = z.infer<typeof labelSettingsSchema>;
export type MeasureHabit = (typeof measureHabits)[number];
export type Kitchen = z.infer<typeof kitchenSchema>;

/** A day on which nothing is different yet. */
export const usualDay = (day: DayChange['day']): DayChange => dayChangeSchema.parse({ day });

/** How everything of a kitchen is written. */
export const conventionsOf = ({
  writing,
  temperatureFirst,
}: Pick<KitchenDraft, 'writing' | 'temperatureFirst'>): Conventions => ({
  ...writing,
  temperature: temperatureFirst,
});

/** The statement that a new kitchen starts with: a placeholder, not law. */
export const PLACEHOLDER_STATEMENT =
  'Made in a home kitchen that is not inspected by the health department and that also handles common allergens.';

/** The kitchen of a pantry in which nothing has been set yet. */
export const emptyKitchen: KitchenDraft = kitchenDraftSchema.parse({
  makerName: 'My kitchen',
  homeKitchenStatement: PLACEHOLDER_STATEMENT,
  handsRateMinorPerHour: 2000,
});
