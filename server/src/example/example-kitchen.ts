import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { Inject, Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { ExampleAnswer } from '@usual-pantry/core/api';
import { Mutex } from 'async-mutex';
import { Refused } from '../refusal/refused.js';

/** Injection token of {@link ExampleSetup}. */
export const EXAMPLE = Symbol('EXAMPLE');

export interface ExampleSetup {
  readonly dataDir: string;
  readonly pagesDir: string;
  /** The season file that the example kitchen starts with; null where none is offered. */
  readonly file: string | null;
  /** A day on which its clock stands still. */
  readonly today: string | null;
}

/** The built program itself. */
const PROGRAM = createRequire(import.meta.url).resolve('@usual-pantry/server/main');

/** What the own kitchen is reached by is none of the example's. */
const withoutDoor = ({
  ALLOWED_HOSTS: _hosts,
  TLS: _tls,
  TLS_CERT: _cert,
  TLS_KEY: _key,
  EXAMPLE_FILE: _file,
  TODAY: _today,
  DATABASE_AS_IT_IS: _asItIs,
  ...rest
}: NodeJS.ProcessEnv): NodeJS.ProcessEnv => rest;

interface Running {
  readonly child: ChildProcess;
  readonly url: string;
}

const gone = (child: ChildProcess) =>
  new Promise<void>((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve();
    else
      child.once('exit', () => {
        resolve();
      });
  });

/**
 * The example kitchen beside one's own: the same program in a process and a folder of its own, so that nothing of it can get into what is
 * the maker's. It is reached through this server alone.
 */
@Injectable()
export class ExampleKitchen implements OnModuleDestroy {
  private running: Promise<Running> | null = null;
  private readonly turns = new Mutex();

  constructor(@Inject(EXAMPLE) private readonly setup: ExampleSetup) {}

  private get folder(): string {
    return join(this.setup.dataDir, 'example');
  }

  state(): ExampleAnswer {
    return { isOffered: this.setup.file !== null, isLoaded: existsSync(this.folder) };
  }

  /** Makes it, if it is not there. @throws Refused when none is offered, or it does not start */
  async load(): Promise<ExampleAnswer> {
    const { file } = this.setup;
    if (file === null) throw new Refused('not-found', 'This kitchen was started without an example.');
    await this.turns.runExclusive(async () => {
      await mkdir(this.folder, { recursive: true });
      await this.address(file);
    });
    return this.state();
  }

  /** Where it answers; started if it does not run. Null when it is not loaded. */
  async url(): Promise<string | null> {
    const { file } = this.setup;
    if (file === null || !existsSync(this.folder)) return null;
    return this.turns.runExclusive(() => (existsSync(this.folder) ? this.address(file) : null));
  }

  /** Ends it and takes its folder away, with everything in it. */
  async remove(): Promise<ExampleAnswer> {
    await this.turns.runExclusive(async () => {
      await this.stop();
      await rm(this.folder, { recursive: true, force: true });
    });
    return this.state();
  }

  onModuleDestroy(): Promise<void> {
    return this.stop();
  }

  private async address(file: string): Promise<string> {
    this.running ??= this.start(file);
    try {
      return (await this.running).url;
    } catch (error) {
      this.running = null;
      throw error;
    }
  }

  private async stop(): Promise<void> {
    const running = await this.running?.catch(() => null);
    this.running = null;
    if (!running) return;
    running.child.kill('SIGKILL');
    await gone(running.child);
  }

  private start(file: string): Promise<Running> {
    const { pagesDir, today } = this.setup;
    const child = spawn(process.execPath, [PROGRAM], {
      env: {
        ...withoutDoor(process.env),
        HOST: '127.0.0.1',
        PORT: '0',
        DATA_DIR: this.folder,
        PAGES_DIR: pagesDir,
        SEED_FILE: file,
        ...(today === null ? {} : { TODAY: today }),
      },
      // It ends with this process, however that ends: see main.ts.
      stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    });
    child.once('exit', () => {
      this.running = null;
    });
    return new Promise((resolve, reject) => {
      let said = '';
      const hear = (chunk: Buffer) => {
        said += chunk.toString();
        const url = /http:\/\/\S+/.exec(said)?.[0];
        if (url !== undefined) resolve({ child, url });
      };
      child.stdout?.on('data', hear);
      child.stderr?.on('data', hear);
      child.once('exit', () => {
        reject(
          new Refused('example-failed', `The example kitchen did not start: ${said.trim()} Your own is untouched.`),
        );
      });
    });
  }
}
