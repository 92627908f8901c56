import { statfs } from 'node:fs/promises';
import { Inject, Injectable } from '@nestjs/common';
import { finding, type Finding } from '@usual-pantry/core/finding';
import { DATA_DIR } from '../config.js';
import { Refused } from '../refusal/refused.js';

const MEGABYTE = 1024 * 1024;
/** Below this nothing is stored any more, so that what is there stays whole. */
const LEAST_BYTES = 16 * MEGABYTE;
/** Below this the maker is warned. */
const LOW_BYTES = 200 * MEGABYTE;

const inMegabytes = (bytes: number): string => `${String(Math.floor(bytes / MEGABYTE))} MB`;

/** The disk on which the database lies. */
@Injectable()
export class Disk {
  constructor(@Inject(DATA_DIR) private readonly folder: string) {}

  /** Bytes that are free for this program; Infinity where the system does not say. */
  async freeBytes(): Promise<number> {
    try {
      const { bavail, bsize } = await statfs(this.folder);
      return bavail * bsize;
    } catch {
      return Infinity;
    }
  }

  /** @throws Refused 507 when too little is left to store anything safely */
  async assertRoom(): Promise<void> {
    const free = await this.freeBytes();
    if (free < LEAST_BYTES)
      throw new Refused(
        'disk-full',
        `The disk is full: ${inMegabytes(free)} are left. Nothing was stored, and what was stored before is whole. Make room, then save again.`,
      );
  }

  /** What the maker must know of it. */
  async findings(): Promise<Finding[]> {
    const free = await this.freeBytes();
    if (free >= LOW_BYTES) return [];
    const settings = { noun: 'kitchen', id: 'kitchen', name: 'Settings' } as const;
    const left = inMegabytes(free);
    return [
      free < LEAST_BYTES
        ? finding('disk-full', settings, { left }, { waysOut: [] })
        : finding('disk-low', settings, { left, least: inMegabytes(LEAST_BYTES) }, { waysOut: [] }),
    ];
  }
}
