import { randomUUID } from 'node:crypto';
import { Inject, Injectable, type OnModuleDestroy } from '@nestjs/common';
import type { PrintJob, printLabelsSchema } from '@usual-pantry/core/api';
import type { KitchenDraft } from '@usual-pantry/core/kitchen';
import {
  cellsOf,
  fitsPaper,
  gridNamed,
  isReprint,
  nextFreeCell,
  placeOnSheets,
  ticketsOf,
  wordsOnLabel,
  type LabelLayout,
  type SheetGrid,
  type Ticket,
} from '@usual-pantry/core/label';
import { packedKey } from '@usual-pantry/core/order';
import { sayCount, sayDay, sayLength } from '@usual-pantry/core/quantity';
import type { WrongValue } from '@usual-pantry/core/record';
import type { z } from 'zod';
import { BookService } from '../book/book.service.js';
import { Clock } from '../clock/clock.js';
import { LABEL_PRINTER, type LabelPrinter } from '../device/label-printer.js';
import { Refused, wrongValues } from '../refusal/refused.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { GivenUp, Thread } from '../thread/thread.js';
import { LabelPrintRow } from './label.entity.js';
import { pagesOfOne, type LabelJob } from './label-pdf.js';
import { LabelService } from './label.service.js';
import { bytesOfPng } from './png.js';

/** Injection token of the thread that sets PDFs. */
export const LABEL_PRESS = Symbol('LABEL_PRESS');

const MOST_MS = 5 * 60_000;
const IDLE: PrintJob = { state: 'idle', done: 0, of: 0, sheets: 0, nextCell: null, message: '', file: null };

type Wanted = z.output<typeof printLabelsSchema>;

/** Equal labels, ready to be set. */
interface Equal {
  readonly ticket: Ticket;
  readonly count: number;
  readonly lot: string | null;
  readonly name: string;
  /** What is noted when they are printed; null for tickets. */
  readonly print: Omit<LabelPrintRow, 'id' | 'at' | 'reason'> | null;
}

const equalOfTicket = (ticket: Ticket): Equal => ({
  ticket,
  count: 1,
  lot: null,
  name: ticket.blocks[0]?.text ?? '',
  print: null,
});

/** Puts labels and tickets on sheets, one job at a time, and keeps a note of what was printed. */
@Injectable()
export class PrintService implements OnModuleDestroy {
  private job: PrintJob = IDLE;
  private stopping = new AbortController();

  constructor(
    private readonly labels: LabelService,
    private readonly books: BookService,
    private readonly work: UnitOfWork,
    private readonly clock: Clock,
    @Inject(LABEL_PRESS) private readonly press: Thread<LabelJob, Uint8Array>,
    @Inject(LABEL_PRINTER) private readonly printer: LabelPrinter,
  ) {}

  onModuleDestroy(): void {
    this.stopping.abort();
  }

  get now(): PrintJob {
    return this.job;
  }

  /** Stops what is being printed: then nothing of it was printed. */
  stop(): PrintJob {
    if (this.job.state === 'running') this.stopping.abort();
    return this.job;
  }

  printed(name: string): Promise<Uint8Array | null> {
    return this.printer.printed(name);
  }

  /** Looks whether everything can be printed, and starts. @throws Refused 422 with what cannot; 409 while another print runs */
  async start(wanted: Wanted): Promise<PrintJob> {
    const before = this.job;
    if (before.state === 'running')
      throw new Refused('busy', 'Labels are being printed already. Stop that, or wait for it.');
    // Taken at once: another that is asked for meanwhile must find it.
    this.job = { ...IDLE, state: 'running' };
    this.stopping = new AbortController();
    try {
      const { equal, job, grid } = await this.prepare(wanted);
      const sides = job.pages.reduce((sum, { labels }) => sum + labels.length, 0);
      const next = grid && nextFreeCell(grid, wanted.startCell - 1, sides);
      const { length } = job.pages;
      this.job = { ...this.job, of: length, sheets: length, nextCell: next === null ? null : next + 1 };
      void this.printAndNote(job, equal, wanted.reason);
      return this.job;
    } catch (error) {
      this.job = before;
      throw error;
    }
  }

  private async prepare(wanted: Wanted) {
    const { season, plan } = await this.books.plan();
    const grid = gridOf(wanted);
    const equal = wanted.tickets
      ? ticketsOf(wanted.tickets, plan, season.book).map(equalOfTicket)
      : await this.runsOf(wanted);
    if (equal.length === 0) throw wrongValues([{ path: ['runs'], message: 'There is nothing to print.' }]);
    return { equal, grid, job: await this.jobOf(equal, season.book.kitchen, grid, wanted.startCell - 1) };
  }

  private async printAndNote(job: LabelJob, equal: readonly Equal[], reason: string): Promise<void> {
    const { signal } = this.stopping;
    try {
      const onProgress = (done: number) => {
        this.job = { ...this.job, done };
      };
      const pdf = await this.press.run(job, { signal, mostMs: MOST_MS, onProgress });
      const at = this.clock.now();
      const file = `${at.replaceAll(/\W/g, '')}-${randomUUID().slice(0, 8)}.pdf`;
      await this.printer.print(pdf, file);
      const rows = equal.flatMap(({ print }) => (print ? [{ ...print, id: randomUUID(), at, reason }] : []));
      if (rows.length > 0) await this.work.write((manager) => manager.save(LabelPrintRow, rows), { part: 'orders' });
      this.job = { ...this.job, state: 'done', done: job.pages.length, message: 'Printed.', file };
    } catch (error) {
      const stopped = error instanceof GivenUp;
      const message = stopped ? 'Stopped. Nothing was printed.' : `Not printed: ${(error as Error).message}`;
      this.job = { ...this.job, state: stopped ? 'stopped' : 'failed', message };
    }
  }

  /** The labels of the wanted runs. @throws Refused 422 with each that must not be printed, and why */
  private async runsOf({ runs, reason }: Wanted): Promise<Equal[]> {
    const planned = await this.books.plan();
    const prints = await this.labels.prints();
    const wrong: WrongValue[] = [];
    const equal = runs.map((wanted, index): Equal => {
      const { label, run, lot } = this.labels.worded(wanted, planned);
      const [name = ''] = label.blocks.map(({ text }) => text);
      const say = (message: string, path: WrongValue['path'] = ['runs', index]) => wrong.push({ path, message });
      for (const { severity, message } of label.findings) if (severity === 'stop') say(`${name}: ${message}`);
      // Without its hand-over it would go out without dates.
      if (!run) say(`${name}: no order wants it for ${sayDay(wanted.handOver)} any more. Look at the labels again.`);
      if (run && isReprint(run, prints, wanted.count) && reason === '')
        say(`${name}: there are ${sayCount(run.count, 'box', 'boxes')} of it, and their labels are printed. Say why there must be more.`, ['reason']); // prettier-ignore
      const key = packedKey(wanted.boxId, wanted);
      const words = wordsOnLabel(label.blocks);
      const { boxId, handOver, count } = wanted;
      return {
        ticket: label,
        count,
        lot,
        name,
        print: { boxId, handOver, packedKey: key, lot: lot ?? '', count, words },
      };
    });
    if (wrong.length > 0) throw wrongValues(wrong, 'These labels were not printed.');
    return equal;
  }

  /** Everything set in type and put on pages. @throws Refused 422 with what does not fit */
  private async jobOf(
    equal: readonly Equal[],
    kitchen: KitchenDraft,
    grid: SheetGrid | null,
    startCell: number,
  ): Promise<LabelJob> {
    const size = grid ?? kitchen.label;
    const wrong: WrongValue[] = [];
    const set: { readonly layout: LabelLayout; readonly lot: string | null }[] = [];
    /** Which layout comes after which: of a label with two sides the back lies beside the front. */
    const sequence: number[] = [];
    for (const { ticket, count, lot, name } of equal) {
      const sides = this.labels.sides(kitchen, ticket, size, lot);
      if (sides.some(({ overflowMm }) => overflowMm > 0))
        wrong.push({
          path: ['sheet'],
          message: `${name} does not fit: at this width its label must be ${sayLength(this.labels.leastHeight(kitchen, ticket, size, lot))} high.`,
        });
      const ids = sides.map((_side, side) => set.length + side);
      set.push(...sides.map((layout) => ({ layout, lot })));
      for (let label = 0; label < count; label++) sequence.push(...ids);
    }
    if (wrong.length > 0) throw wrongValues(wrong, 'These labels were not printed.');
    const layouts = await Promise.all(set.map(({ layout, lot }) => this.labels.withCode(kitchen, layout, lot)));
    return {
      title: 'Labels',
      layouts,
      pages: grid
        ? pagesOnSheets(grid, startCell, sequence, kitchen)
        : pagesOfOne(
            sequence.flatMap((index) => {
              const layout = set[index]?.layout;
              return layout ? [{ layout, index }] : [];
            }),
            kitchen.label.bleedMm,
          ),
      accent: kitchen.label.accent,
      logoPng: bytesOfPng(kitchen.label.logo),
    };
  }
}

/** The sheet that is wanted; null for one label a page. @throws Refused 422 when there is none, or it is larger than its paper */
export function gridOf({
  sheet,
  ownSheet,
  startCell,
}: Pick<Wanted, 'sheet' | 'ownSheet' | 'startCell'>): SheetGrid | null {
  const grid = gridNamed(sheet, ownSheet);
  if (grid === null) return null;
  if (!grid) throw wrongValues([{ path: ['sheet'], message: 'There is no such sheet.' }]);
  if (!fitsPaper(grid))
    throw wrongValues([{ path: ['ownSheet'], message: `${grid.name}: so many do not fit on the paper.` }]);
  if (startCell > cellsOf(grid))
    throw wrongValues([{ path: ['startCell'], message: `A sheet has ${sayCount(cellsOf(grid), 'label')}.` }]);
  return grid;
}

function pagesOnSheets(
  grid: SheetGrid,
  startCell: number,
  sequence: readonly number[],
  { label }: KitchenDraft,
): LabelJob['pages'] {
  const offset = { xMm: label.offsetXMm, yMm: label.offsetYMm };
  const ones = sequence.map(() => 1);
  return placeOnSheets(grid, startCell, ones, offset).map((placed) => ({
    widthMm: grid.paper.widthMm,
    heightMm: grid.paper.heightMm,
    marks: 'none',
    labels: placed.map(({ run, xMm, yMm }) => ({ layout: sequence[run] ?? 0, xMm, yMm })),
  }));
}

/** A page with the edge of every cell, by which it is seen how far a printer is off. */
export function testPage(grid: SheetGrid, { label }: KitchenDraft): LabelJob {
  const { widthMm, heightMm } = grid;
  const empty: LabelLayout = { widthMm, heightMm, runs: [], code: null, logo: null, overflowMm: 0 };
  const cells = Array.from({ length: cellsOf(grid) }, () => 1);
  const [labels = []] = placeOnSheets(grid, 0, cells, { xMm: label.offsetXMm, yMm: label.offsetYMm });
  return {
    title: `Test page: ${grid.name}`,
    layouts: [{ layout: empty, codePng: null }],
    pages: [
      {
        widthMm: grid.paper.widthMm,
        heightMm: grid.paper.heightMm,
        marks: 'outlines',
        labels: labels.map(({ xMm, yMm }) => ({ layout: 0, xMm, yMm })),
      },
    ],
    accent: '#000000',
    logoPng: null,
  };
}
