import { z } from 'zod';
import type { Answer } from './answer.js';

/** Who may come in: the maker may do everything, a helper sees what is to be done. */
export const roles = ['maker', 'helper'] as const;
const visitorShape = { role: z.enum(roles), name: z.string() };

export const doorSchema = z
  .strictObject({
    isLocked: z.boolean(),
    hasPassphrase: z.boolean(),
    visitor: z.strictObject(visitorShape).nullable(),
  })
  .meta({ id: 'Door' });
export type DoorAnswer = Answer<typeof doorSchema>;

const deviceNameSchema = z.string().trim().min(1, 'must say which device').max(60);
/** Long enough that it cannot be guessed by trying, and never cut short. */
const LEAST_PASSPHRASE = 15;
const MOST_PASSPHRASE = 128;

/** A passphrase as it is set: compared in one composed form, with spaces and signs of any kind. */
export const passphraseSchema = z
  .string()
  .max(MOST_PASSPHRASE, `must have ${String(MOST_PASSPHRASE)} characters at most`)
  .transform((text) => text.normalize('NFC'))
  .refine(
    (text) => Array.from(text).length >= LEAST_PASSPHRASE,
    `must have ${String(LEAST_PASSPHRASE)} characters at least: some words will do`,
  );
export const signInSchema = z
  .strictObject({ passphrase: z.string().max(200), name: deviceNameSchema })
  .meta({ id: 'SignIn' });
export type SignIn = z.output<typeof signInSchema>;
export const pairSchema = z.strictObject({ code: z.string().max(40) }).meta({ id: 'Pair' });
export type Pair = z.output<typeof pairSchema>;
export const makeCodeSchema = z.strictObject({ role: z.enum(roles), name: deviceNameSchema }).meta({ id: 'MakeCode' });
export type MakeCode = z.output<typeof makeCodeSchema>;
export const setPassphraseSchema = z
  .strictObject({ passphrase: passphraseSchema, old: z.string().max(200).nullable() })
  .meta({ id: 'SetPassphrase' });
export type SetPassphrase = z.output<typeof setPassphraseSchema>;

/** Devices that are let in, and what was written down of comings and goings. */
export const devicesSchema = z
  .strictObject({
    devices: z.array(
      z
        .strictObject({
          ...visitorShape,
          id: z.string(),
          via: z.enum(['passphrase', 'code']),
          since: z.string(),
          seen: z.string(),
          isThis: z.boolean(),
        })
        .meta({ id: 'Device' }),
    ),
    audit: z.array(z.strictObject({ at: z.string(), what: z.string(), by: z.string(), about: z.string() })),
  })
  .meta({ id: 'Devices' });
export type DevicesAnswer = Answer<typeof devicesSchema>;
export type Device = DevicesAnswer['devices'][number];

/** A code to let a device in, with a picture of each address to scan. */
export const pairingCodeSchema = z
  .strictObject({
    code: z.string(),
    until: z.string(),
    addresses: z.array(z.strictObject({ url: z.string(), picture: z.string() })),
  })
  .meta({ id: 'PairingCode' });
export type PairingCode = Answer<typeof pairingCodeSchema>;

export const backupKinds = ['daily', 'before-migration', 'before-import', 'before-restore', 'on-demand'] as const;
export const backupSchema = z
  .strictObject({
    name: z.string(),
    sequence: z.number(),
    kind: z.enum(backupKinds),
    on: z.string(),
    bytes: z.number(),
  })
  .meta({ id: 'Backup' });
export type Backup = Answer<typeof backupSchema>;
export const backupsSchema = z.array(backupSchema).meta({ id: 'Backups' });
export const restoredSchema = z.strictObject({ before: backupSchema }).meta({ id: 'Restored' });

/** Whether a database is whole, and what it holds. */
export const databaseHealthSchema = z
  .strictObject({
    troubles: z.array(z.string()),
    migrations: z.array(z.string()),
    counts: z.record(z.string(), z.number()),
  })
  .meta({ id: 'DatabaseHealth' });
export type DatabaseHealth = Answer<typeof databaseHealthSchema>;

/** Whether the server is well; how, for those who have signed in. */
export const healthSchema = z
  .strictObject({
    ok: z.boolean(),
    database: z.enum(['writable', 'not writable']).optional(),
    freeMegabytes: z.number().nullable().optional(),
    newestBackup: z.string().nullable().optional(),
    solver: z.enum(['ready', 'failed']).optional(),
  })
  .meta({ id: 'Health' });

export const seasonCountsSchema = z
  .strictObject({
    ingredients: z.number(),
    recipes: z.number(),
    pieces: z.number(),
    boxes: z.number(),
    orders: z.number(),
  })
  .meta({ id: 'SeasonCounts' });
export type SeasonCounts = Answer<typeof seasonCountsSchema>;

export const exampleSchema = z
  .strictObject({
    /** Whether there is an example kitchen to load. */
    isOffered: z.boolean(),
    isLoaded: z.boolean(),
  })
  .meta({ id: 'ExampleKitchen' });
export type ExampleAnswer = Answer<typeof exampleSchema>;
