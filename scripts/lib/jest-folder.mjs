import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A folder that all files of a run of the tests share, for what is made once and copied. */
export default function makeFolder() {
  process.env.FC_SEED ??= String(Math.floor(Math.random() * 2 ** 31));
  process.stdout.write(`property tests begin from FC_SEED=${process.env.FC_SEED}\n`);
  process.env.SHARED_TEST_FOLDER = mkdtempSync(join(tmpdir(), 'usual-pantry-run-'));
}

/** Takes the folder of a run away again. */
export const removeFolder = () => {
  const folder = process.env.SHARED_TEST_FOLDER;
  if (folder) rmSync(folder, { recursive: true, force: true });
};
