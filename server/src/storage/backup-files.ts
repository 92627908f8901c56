import { backupKinds } from '@usual-pantry/core/api';
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Day } from '@usual-pantry/core/quantity';
import { PRIVATE_FOLDER } from './folder.js';

/** Why a copy was taken. */
export type BackupKind = (typeof backupKinds)[number];

/** A copy of the whole database. */
export interface BackupFile {
  /** Name of the file in the folder of the backups, such as `000012-daily-2026-11-28.db`. */
  readonly name: string;
  /** Rises by one with each copy, whatever the clock says. */
  readonly sequence: number;
  readonly kind: BackupKind;
  /** The day of the clock on which it was taken. */
  readonly on: Day;
}

const NAME = /^(\d{6,})-([a-z-]+)-(\d{4}-\d{2}-\d{2})\.db$/;

/** What a file's name says; null for a file that is no backup. */
export function readName(name: string): BackupFile | null {
  const [, sequence, kind, on] = NAME.exec(name) ?? [];
  const known = backupKinds.find((each) => each === kind);
  return known && sequence !== undefined && on !== undefined
    ? { name, sequence: Number(sequence), kind: known, on }
    : null;
}

/** The folder of the backups, made when it is missing. */
export function backupFolder(folder: string): string {
  const path = join(folder, 'backups');
  mkdirSync(path, { recursive: true, mode: PRIVATE_FOLDER });
  return path;
}

/** Takes away what a copy has left that was cut off, with whatever lies beside it. */
export function forgetUnfinished(folder: string): void {
  const path = join(folder, 'backups');
  if (!existsSync(path)) return;
  for (const name of readdirSync(path)) if (/\.part(?:-|$)/.test(name)) rmSync(join(path, name), { force: true });
}

/** All copies, the newest first. */
export const listBackups = (folder: string): BackupFile[] =>
  readdirSync(backupFolder(folder))
    .flatMap((name) => readName(name) ?? [])
    .sort((a, b) => b.sequence - a.sequence);

export const bytesOf = (folder: string, { name }: BackupFile): number =>
  statSync(join(backupFolder(folder), name)).size;

/** The name of the next copy. */
export function nextBackup(folder: string, kind: BackupKind, on: Day): BackupFile {
  const sequence = (listBackups(folder)[0]?.sequence ?? 0) + 1;
  return { name: `${String(sequence).padStart(6, '0')}-${kind}-${on}.db`, sequence, kind, on };
}

const DAYS = 7;
const WEEKS = 4;
const MONTHS = 12;
/** Of those that were taken for a reason, so many of each kind stay whatever their day. */
const OF_A_KIND = 10;

/** Weeks since a Monday long ago. */
const weekOf = (day: Day): number => Math.floor((Date.parse(day) / 86_400_000 + 3) / 7);

/**
 * Which copies are kept: of the daily ones the newest of each of 7 days, 4 weeks and 12 months, and the newest 10 of each other kind.
 * Days are counted as they come in the sequence, never compared with a clock: one that went back or far ahead takes none away.
 * @param files the newest first
 */
export function keptBackups(files: readonly BackupFile[]): ReadonlySet<string> {
  const kept = new Set<string>();
  const keepNewest = (spanOf: (file: BackupFile) => string | number, most: number) => {
    const spans = new Set<string | number>();
    for (const file of files.filter(({ kind }) => kind === 'daily')) {
      const span = spanOf(file);
      if (spans.has(span)) continue;
      if (spans.size === most) break;
      spans.add(span);
      kept.add(file.name);
    }
  };
  keepNewest(({ on }) => on, DAYS);
  keepNewest(({ on }) => weekOf(on), WEEKS);
  keepNewest(({ on }) => on.slice(0, 7), MONTHS);
  for (const kind of backupKinds)
    if (kind !== 'daily')
      for (const { name } of files.filter((file) => file.kind === kind).slice(0, OF_A_KIND)) kept.add(name);
  return kept;
}

/** Takes away what is not kept. @param inUse the name of a copy that stays whatever its age */
export function pruneBackups(folder: string, inUse: string | null = null): void {
  const files = listBackups(folder);
  const kept = keptBackups(files);
  for (const { name } of files)
    if (!kept.has(name) && name !== inUse) rmSync(join(backupFolder(folder), name), { force: true });
}
