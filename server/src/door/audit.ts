import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { DATA_DIR } from '../config.js';
import { LineFile } from '../storage/line-file.js';
import { visitor } from './visitor.js';

/** What is written down of those who come and of what leaves or is replaced. */
export const auditKinds = [
  'signed in',
  'refused at the door',
  'paired',
  'signed out',
  'device removed',
  'passphrase set',
  'exported',
  'imported',
  'backup taken away',
  'restored',
  'inbox key made',
] as const;
export type AuditKind = (typeof auditKinds)[number];

export interface AuditLine {
  readonly at: string;
  readonly what: AuditKind;
  /** Which device. */
  readonly by: string;
  readonly about: string;
}

const FILE = 'audit.log';
const MOST_BYTES = 5_000_000;
const SHOWN = 200;

/** What must be known afterwards of who came and what left. */
@Injectable()
export class Audit {
  private readonly file: LineFile<AuditLine>;

  constructor(@Inject(DATA_DIR) folder: string) {
    this.file = new LineFile(join(folder, FILE), MOST_BYTES);
  }

  note(what: AuditKind, about = '', by = visitor().name): void {
    this.file.add([{ at: new Date().toISOString(), what, by, about }]);
  }

  /** The newest lines, the newest first. */
  newest(): AuditLine[] {
    return this.file.newest(SHOWN).reverse();
  }
}
