import { z } from 'zod';
import { potContentsSchema } from '../cooking/index.js';
import { makingEndSchema, makingEventSchema, makingSchema, makingStates } from '../making/index.js';
import { practiceSchema } from '../practice/index.js';
import { idSchema } from '../record/index.js';
import type { Answer } from './answer.js';
import { makeBatchesSchema } from './batch.js';

/** A batch at the bench, and how far it is. */
export const makingAnswerSchema = makingSchema.safeExtend({ state: z.enum(makingStates) }).meta({ id: 'MakingAnswer' });
export const makingsSchema = z.array(makingAnswerSchema).meta({ id: 'Makings' });
export type MakingAnswer = Answer<typeof makingAnswerSchema>;

/** What happened to a batch since a place in its order. */
export const makingEventsSchema = z
  .strictObject({
    state: z.enum(makingStates),
    /** The place of the last one; 0 when there is none. */
    place: z.int().min(0),
    events: z.array(makingEventSchema),
  })
  .meta({ id: 'MakingEvents' });
export type MakingEvents = Answer<typeof makingEventsSchema>;

const MOST_EVENTS = 500;
export const newEventsSchema = z
  .strictObject({ events: z.array(makingEventSchema).min(1).max(MOST_EVENTS) })
  .meta({ id: 'NewMakingEvents' });

/** How a batch ended, and where that came from which the pantry does not have. */
export const endMakingSchema = makingEndSchema
  .safeExtend({ opened: makeBatchesSchema.shape.opened, elsewhere: makeBatchesSchema.shape.elsewhere })
  .meta({ id: 'EndMaking' });
export type EndMaking = z.output<typeof endMakingSchema>;

export const practicesSchema = z.array(practiceSchema).meta({ id: 'Practices' });
export const newPracticeSchema = practiceSchema.omit({ id: true, at: true }).meta({ id: 'NewPractice' });
export type NewPractice = z.infer<typeof newPracticeSchema>;

const celsius = z.number().min(-30).max(300);

/** What is done to the simulated devices. */
export const simulateSchema = z
  .discriminatedUnion('what', [
    /** A pot goes on the heat. */
    z.strictObject({
      what: z.literal('on the heat'),
      makingId: idSchema,
      contents: potContentsSchema,
      watts: z.number().min(0).max(50_000),
      waterBoils: z.number().min(70).max(105),
      celsius,
      /** How much higher the thermometer reads than it is, K. */
      offsetKelvin: z.number().min(-20).max(20),
      /** So many times as fast as in life. */
      speed: z.number().min(1).max(60),
    }),
    z.strictObject({ what: z.literal('goes in'), contents: potContentsSchema, celsius }),
    /** The flame, as a share of what it was at first. */
    z.strictObject({ what: z.literal('heat'), share: z.number().min(0).max(3) }),
    z.strictObject({ what: z.literal('off the heat') }),
    z.strictObject({ what: z.literal('on the scale'), grams: z.number().min(0).max(100_000) }),
    z.strictObject({ what: z.literal('room'), celsius, humidity: z.number().min(0).max(100) }),
    z.strictObject({
      what: z.literal('probe'),
      touchesKelvin: z.number().min(0).max(60),
      dropOuts: z.number().min(0).max(1),
      nonsense: z.number().min(0).max(1),
    }),
  ])
  .meta({ id: 'Simulate' });
export type Simulate = z.output<typeof simulateSchema>;
