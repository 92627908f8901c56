import { mkdir, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { DATA_DIR } from '../config.js';
import { PRIVATE_FILE, PRIVATE_FOLDER } from '../storage/folder.js';
import type { LabelPrinter } from './label-printer.js';

const FOLDER = 'printed';
/** So many of the newest are kept. */
const KEPT = 50;
const NAME = /^[\w-]+\.pdf$/;

/** The stand-in for a printer: keeps what was printed as files. */
@Injectable()
export class SimulatedLabelPrinter implements LabelPrinter {
  private readonly folder: string;

  constructor(@Inject(DATA_DIR) dataDir: string) {
    this.folder = join(dataDir, FOLDER);
  }

  async print(pdf: Uint8Array, name: string): Promise<void> {
    await mkdir(this.folder, { recursive: true, mode: PRIVATE_FOLDER });
    await writeFile(join(this.folder, name), pdf, { mode: PRIVATE_FILE });
    const names = (await readdir(this.folder)).filter((each) => NAME.test(each)).sort();
    await Promise.all(names.slice(0, -KEPT).map((old) => rm(join(this.folder, old), { force: true })));
  }

  async printed(name: string): Promise<Uint8Array | null> {
    if (!NAME.test(name)) return null;
    try {
      return await readFile(join(this.folder, name));
    } catch {
      return null;
    }
  }
}
