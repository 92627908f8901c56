import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { CannotStart } from '../storage/cannot-start.js';
import { writeWhole } from '../storage/write-file.js';
import { hashSchema } from './passphrase.js';

/** What somebody who is let in may do: everything, or see what is to be done without money, contacts and settings. */
export const roles = ['maker', 'helper'] as const;
export type Role = (typeof roles)[number];

const sessionSchema = z.strictObject({
  id: z.string(),
  /** SHA-256 of what the device shows; the thing itself is kept nowhere. */
  tokenHash: z.string(),
  role: z.enum(roles),
  name: z.string(),
  via: z.enum(['passphrase', 'code']),
  since: z.string(),
  seen: z.string(),
});
export type Session = z.infer<typeof sessionSchema>;

const doorSchema = z.strictObject({
  passphrase: hashSchema.nullable(),
  sessions: z.array(sessionSchema),
});
export type DoorState = z.infer<typeof doorSchema>;

const FILE = 'door.json';

/** Who may come in. Kept beside the database, so that a backup neither holds it nor brings it back. */
export class DoorFile {
  private readonly file: string;
  private state: DoorState;

  /** @throws CannotStart when the file is there and cannot be read: a door in doubt stays shut */
  constructor(folder: string) {
    this.file = join(folder, FILE);
    this.state = { passphrase: null, sessions: [] };
    if (!existsSync(this.file)) return;
    try {
      this.state = doorSchema.parse(JSON.parse(readFileSync(this.file, 'utf8')));
    } catch {
      throw new CannotStart(
        `${this.file}, which says who may come in, cannot be read. Nobody is let in. Delete it and set a new passphrase: npm run passphrase.`,
      );
    }
  }

  get now(): DoorState {
    return this.state;
  }

  store(change: Partial<DoorState>): void {
    const next = { ...this.state, ...change };
    writeWhole(this.file, JSON.stringify(next, null, 2));
    this.state = next;
  }
}
