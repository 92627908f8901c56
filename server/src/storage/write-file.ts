import { writeFileSync } from 'node:fs';
import { putInPlace } from './copy.js';
import { PRIVATE_FILE } from './folder.js';

/** Writes a whole file, private to the user; whatever happens, the old one or the new one is there. */
export function writeWhole(file: string, content: string): void {
  const aside = `${file}.part`;
  writeFileSync(aside, content, { mode: PRIVATE_FILE });
  putInPlace(aside, file);
}
