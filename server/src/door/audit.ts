import { appendFileSync, existsSync, readFileSync, renameSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import { DATA_DIR } from '../config.js';
import { PRIVATE_FILE } from '../storage/folder.js';
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

/** Lines that are only ever added, one JSON object a line. */
@Injectable()
export class Audit {
  private readonly file: string;

  constructor(@Inject(DATA_DIR) folder: string) {
    this.file = join(folder, FILE);
  }

  note(what: AuditKind, about = '', by = visitor().name): void {
    const line: AuditLine = { at: new Date().toISOString(), what, by, about };
    if (existsSync(this.file) && statSync(this.file).size > MOST_BYTES) renameSync(this.file, `${this.file}.1`);
    appendFileSync(this.file, `${JSON.stringify(line)}\n`, { mode: PRIVATE_FILE });
  }

  /** The newest lines, the newest first. */
  newest(): AuditLine[] {
    if (!existsSync(this.file)) return [];
    const lines = readFileSync(this.file, 'utf8').trimEnd().split('\n');
    return lines
      .slice(-SHOWN)
      .reverse()
      .map((line) => JSON.parse(line) as AuditLine);
  }
}
