import { z } from 'zod';
import { gradeSchema, rejectsSchema } from '../batch/index.js';
import { amountSchema, gramsSchema } from '../quantity/index.js';
import { batchSizeSchema } from '../recipe/index.js';
import { daySchema, idSchema } from '../record/index.js';

const instant = z.iso.datetime({ offset: true });
const celsius = z.number().min(-60).max(400);

/** A batch that is being made. */
export const makingSchema = z
  .strictObject({
    id: idSchema,
    recipeId: idSchema,
    /** Multiple of the base batch. */
    size: batchSizeSchema,
    /** The day for which it counts. */
    on: daySchema,
    startedAt: instant,
  })
  .meta({ id: 'Making' });

/** What can be noted in one tap. */
export const noteKinds = [
  'stirred',
  'heat down',
  'heat up',
  'something went in',
  'foamed',
  'separated',
  'grained',
  'smelled burnt',
] as const;

/** A moment of a batch's temperature: milliseconds after the first of them, what was read, and what is wrong with it. */
const readSchema = z.tuple([
  z.int().min(0),
  z.number().min(-10_000).max(10_000).nullable(),
  z.enum(['impossible', 'jump', 'late', 'tapped']).nullable(),
]);

const event = <Kind extends string, Shape extends z.ZodRawShape>(kind: Kind, shape: Shape) =>
  z.strictObject({ id: idSchema, at: instant, kind: z.literal(kind), ...shape });

const line = z.int().min(0).max(79);
const stage = z.int().min(0).max(60);
const MOST_PHOTO = 400_000;
const MOST_READINGS = 600;

/** Something that happened to a batch at the bench. What has happened is only ever added to. */
export const makingEventSchema = z
  .discriminatedUnion('kind', [
    /** Went to a stage: 0 weighs out, then the steps, then the end. */
    event('stage', { stage }),
    event('weighed', {
      line,
      grams: amountSchema,
      /** Of a lot to use by a day; null for what keeps, or where nobody said. */
      useBy: daySchema.nullable(),
    }),
    event('not weighed', { line }),
    /** What is still to be weighed is so many times what the batch would take. */
    event('scaled', { factor: z.number().min(0.05).max(20) }),
    /** Something else went in instead of what the recipe says; null for what it says after all. */
    event('swapped', { line, withId: idSchema.nullable(), ratio: z.number().positive().max(20) }),
    event('timer', {
      timerId: idSchema,
      name: z.string().trim().min(1).max(80),
      stage,
      seconds: z
        .number()
        .positive()
        .max(7 * 86_400),
    }),
    /** Its ring was heard, or it is not wanted any more. */
    event('timer ended', { timerId: idSchema }),
    event('note', {
      note: z.enum(noteKinds).nullable(),
      text: z.string().trim().max(500).default(''),
      celsius: celsius.nullable(),
      stage,
    }),
    event('readings', { stage, values: z.array(readSchema.readonly()).min(1).max(MOST_READINGS).readonly() }),
    event('room', { celsius: z.number().min(-20).max(60), humidity: z.number().min(0).max(100) }),
    event('photo', {
      stage,
      jpeg: z
        .string()
        .regex(/^data:image\/(?:jpeg|png);base64,[A-Za-z0-9+/=]+$/, 'must be a picture')
        .max(MOST_PHOTO, 'is too large'),
    }),
  ])
  .meta({ id: 'MakingEvent' });

/** How far a batch at the bench is: being made, at its end, or put away without one. */
export const makingStates = ['open', 'ended', 'put away'] as const;

/** A batch at the bench as it is kept, with everything that happened to it, in the order in which it was taken in. */
export const makingFiledSchema = makingSchema
  .safeExtend({ state: z.enum(makingStates), events: z.array(makingEventSchema).max(20_000) })
  .meta({ id: 'MakingFiled' });

/** How a batch came out, when all is done. */
export const makingEndSchema = z
  .strictObject({
    state: z.enum(['done', 'failed']),
    /** Everything that came out, rejects among it, g; null when nobody weighed it. */
    grams: gramsSchema.nullable(),
    /** Good pieces; null while there are none to count. */
    pieces: z.int('must be a whole number').min(0, 'must not be negative').max(10_000, 'is absurdly many').nullable(),
    rejects: rejectsSchema,
    grade: gradeSchema,
    notes: z.string().trim().max(2000).default(''),
  })
  .meta({ id: 'MakingEnd' });

export type Making = z.infer<typeof makingSchema>;
export type MakingEvent = z.infer<typeof makingEventSchema>;
export type MakingFiled = z.infer<typeof makingFiledSchema>;
export type MakingEnd = z.infer<typeof makingEndSchema>;
export type NoteKind = (typeof noteKinds)[number];
export type EventOf<Kind extends MakingEvent['kind']> = Extract<MakingEvent, { kind: Kind }>;

type Without<Event> = Event extends MakingEvent ? Omit<Event, 'id' | 'at'> : never;
/** What happened, without when, and without its id. */
export type Happening = Without<MakingEvent>;
