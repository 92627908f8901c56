import { createInterface } from 'node:readline/promises';
import { Writable } from 'node:stream';
import { passphraseSchema } from '@usual-pantry/core/api';
import { readConfig } from '../config.js';
import { CannotStart } from '../storage/cannot-start.js';
import { holdFolder } from '../storage/folder.js';
import { Audit } from './audit.js';
import { DoorFile } from './door-file.js';
import { GUESSABLE, isGuessable } from './guessable.js';
import { hashPassphrase } from './passphrase.js';

/** Asks without showing what is typed; takes a line of the input where nobody types. */
async function ask(question: string): Promise<string> {
  const isTyped = process.stdin.isTTY;
  process.stdout.write(question);
  const silent = new Writable({
    write: (_chunk, _encoding, done) => {
      done();
    },
  });
  const input = createInterface({ input: process.stdin, output: silent, terminal: isTyped });
  try {
    return await input.question('');
  } finally {
    input.close();
    process.stdout.write('\n');
  }
}

/** Sets the passphrase of a data folder while its server does not run. Every device must sign in again. */
async function setPassphrase(folder: string): Promise<void> {
  const held = holdFolder(folder);
  try {
    const door = new DoorFile(folder);
    const { data, error } = passphraseSchema.safeParse(await ask('Passphrase, fifteen characters at least: '));
    if (data === undefined) throw new CannotStart(`The passphrase ${error.issues[0]?.message ?? 'is none'}.`);
    if (await isGuessable(data)) throw new CannotStart(`The passphrase ${GUESSABLE}.`);
    door.store({ passphrase: await hashPassphrase(data), sessions: [] });
    new Audit(folder).note('passphrase set', 'npm run passphrase');
    process.stdout.write('The passphrase is set. Every device must sign in with it.\n');
  } finally {
    held.release();
  }
}

process.umask(0o077);
try {
  await setPassphrase(readConfig(process.env).dataDir);
} catch (error) {
  if (!(error instanceof CannotStart)) throw error;
  process.stderr.write(`\n${error.message}\n\n`);
  process.exit(1);
}
