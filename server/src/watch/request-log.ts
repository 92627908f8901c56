import { join } from 'node:path';
import { Inject, Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { NextFunction, Request, Response } from 'express';
import { DATA_DIR } from '../config.js';
import { LineFile } from '../storage/line-file.js';

/** One answered request, without anything that says whose it was or what was in it. */
export interface LoggedRequest {
  readonly at: string;
  readonly method: string;
  /** The address with ids left out, such as `/api/orders/:id`. */
  readonly route: string;
  readonly status: number;
  readonly ms: number;
}

const FILE = 'requests.log';
const MOST_BYTES = 2_000_000;
const WRITE_EVERY_MS = 1_000;

/** Words of the addresses; whatever else stands in one is an id or a name. */
const isWord = (part: string): boolean => /^[a-z][a-z-]{0,30}(?:\.[a-z]{2,5})?$/.test(part);

/** The address as it may be written down: no query, no ids. Nouns are followed by ids, so every second word is taken for one. */
export function routeOf(request: Pick<Request, 'route' | 'path'>): string {
  const { path } = (request.route as { readonly path?: unknown } | undefined) ?? {};
  // The route that answered names its parts itself.
  if (typeof path === 'string') return path;
  const [first = '', second = ''] = request.path.split('/').filter(Boolean);
  return `/${[first, second].filter(isWord).join('/')}`;
}

/** Writes down how requests were answered: for a report when something goes wrong. */
@Injectable()
export class RequestLog implements OnModuleDestroy {
  private readonly file: LineFile<LoggedRequest>;
  private waiting: LoggedRequest[] = [];
  private timer: NodeJS.Timeout | null = null;
  /** Afterwards nothing is written any more: the folder may be another's. */
  private isOver = false;

  constructor(@Inject(DATA_DIR) folder: string) {
    this.file = new LineFile(join(folder, FILE), MOST_BYTES);
  }

  middleware() {
    return (request: Request, response: Response, next: NextFunction): void => {
      const since = performance.now();
      response.once('close', () => {
        if (this.isOver) return;
        this.waiting.push({
          at: new Date().toISOString(),
          method: request.method,
          route: routeOf(request),
          status: response.statusCode,
          ms: Math.round(performance.now() - since),
        });
        this.timer ??= setTimeout(() => {
          this.write();
        }, WRITE_EVERY_MS).unref();
      });
      next();
    };
  }

  onModuleDestroy(): void {
    this.write();
    this.isOver = true;
  }

  /** The newest lines, the oldest first. */
  newest(most: number): LoggedRequest[] {
    this.write();
    return this.file.newest(most);
  }

  private write(): void {
    if (this.timer) clearTimeout(this.timer);
    this.timer = null;
    const lines = this.waiting.splice(0);
    if (lines.length === 0) return;
    try {
      this.file.add(lines);
    } catch {
      // A log that cannot be written keeps nothing from working; the health check looks at the disk itself.
    }
  }
}
