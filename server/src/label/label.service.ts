import { Inject, Injectable } from '@nestjs/common';
import type { LabelRunState, SetLabel } from '@usual-pantry/core/api';
import { bookAsMade } from '@usual-pantry/core/book';
import { finding, type Finding, type Subject } from '@usual-pantry/core/finding';
import type { KitchenDraft } from '@usual-pantry/core/kitchen';
import {
  crossContact,
  labelOf,
  lotOf,
  printedOf,
  printsOf,
  schools,
  wordsOnLabel,
  type Label,
  type LabelLayout,
  type LabelPage,
  type Ticket,
} from '@usual-pantry/core/label';
import { packBox, packedKey, reallyIn, type PackedAs } from '@usual-pantry/core/order';
import type { LabelRun, Plan } from '@usual-pantry/core/plan';
import type { Day } from '@usual-pantry/core/quantity';
import { BookService, type Season } from '../book/book.service.js';
import { SERVED_AT } from '../door/door.controller.js';
import { notFound } from '../refusal/refused.js';
import { UnitOfWork } from '../storage/unit-of-work.js';
import { codePng, codeSizeMm, codeSvg } from './code.js';
import { LabelPrintRow } from './label.entity.js';
import { leastHeight, setLabel } from './label-pdf.js';
import { bytesOfPng, sizeOfPng } from './png.js';

/** How large the maker's picture is on a label at most, mm. */
const LOGO_MM = { widthMm: 20, heightMm: 12 };

type Size = Pick<LabelPage, 'widthMm' | 'heightMm'>;

/** A box as it is packed for a hand-over. */
export interface Packed extends PackedAs {
  readonly boxId: string;
  readonly handOver?: Day | undefined;
}

/** The season as it is planned. */
interface Planned {
  readonly season: Season;
  readonly plan: Plan;
  readonly today: Day;
}

/** A label in words, and what it is of. */
interface Worded {
  readonly label: Label;
  readonly school: SetLabel['school'];
  readonly run: LabelRun | null;
  readonly lot: string | null;
  readonly crossContact: SetLabel['crossContact'];
}

/** Labels of boxes: their words, set in type, and what was printed of them. */
@Injectable()
export class LabelService {
  constructor(
    private readonly books: BookService,
    private readonly work: UnitOfWork,
    @Inject(SERVED_AT) private readonly servedAt: () => readonly string[],
  ) {}

  /** Every run of the season with what was printed of it. */
  async runs(): Promise<LabelRunState[]> {
    const planned = await this.books.plan();
    const prints = await this.prints();
    return planned.plan.labels.map((run) => {
      const lot = lotOfRun(run);
      // Its words are needed only where they may differ from what was printed.
      const words = printsOf(run, prints).length > 0 ? wordsOnLabel(wordedRun(run, planned).label.blocks) : '';
      const { count, changed, lastAt } = printedOf(run, prints, words);
      return { ...run, lot, printed: count, changed, lastPrintedAt: lastAt };
    });
  }

  /** Everything that was printed, the newest first. */
  prints(): Promise<LabelPrintRow[]> {
    return this.work.read((manager) => manager.find(LabelPrintRow, { order: { at: 'DESC', id: 'ASC' } }));
  }

  /** @throws Refused 404 when there is no such box */
  worded(packed: Packed, planned: Planned): Worded {
    const key = packedKey(packed.boxId, packed);
    const run =
      planned.plan.labels.find((each) => each.handOver === packed.handOver && packedKey(each.boxId, each) === key) ??
      null;
    if (run) return wordedRun(run, planned);
    const { season, today } = planned;
    const book = bookAsMade(season.book, packed.handOver ?? today, stillMade(planned.plan));
    const box = packBox(season.book, packed.boxId, packed);
    if (!box) throw notFound('box', packed.boxId);
    const facts = reallyIn(book, box.facts);
    const school = packed.school ?? book.kitchen.label.school;
    const label = labelOf(schools[school], facts, book, { dates: null, today });
    return { label, school, run: null, lot: null, crossContact: [] };
  }

  /** The label of a box, set in type at the size of the kitchen's labels. */
  async set(packed: Packed): Promise<SetLabel> {
    const planned = await this.books.plan();
    const { label, school, run, lot, crossContact: ways } = this.worded(packed, planned);
    const { kitchen } = planned.season.book;
    const page = this.pageOf(kitchen, kitchen.label, lot, true);
    const layouts = setLabel(label, page);
    const fits = layouts.every(({ overflowMm }) => overflowMm === 0);
    const leastHeightMm = fits ? null : leastHeight(label, page);
    const settings: Subject<'kitchen'> = { noun: 'kitchen', id: 'kitchen', name: 'Settings' };
    const tooSmall: Finding[] =
      leastHeightMm === null ? [] : [finding('label-too-small', settings, { heightMm: leastHeightMm })];
    const state = run && printedOf(run, await this.prints(), wordsOnLabel(label.blocks));
    const later =
      run && state ? findingsOfPrinted({ ...run, changed: state.changed, lastPrintedAt: state.lastAt }) : [];
    return {
      school,
      ...label,
      findings: [...tooSmall, ...later, ...label.findings],
      run,
      lot,
      crossContact: [...ways],
      codeSvg: lot && kitchen.label.code !== 'none' ? codeSvg(kitchen.label.code, this.codeText(kitchen, lot)) : null,
      second: kitchen.label.second,
      accent: kitchen.label.accent,
      logoPng: kitchen.label.logo,
      leastHeightMm,
      layouts,
    };
  }

  /** Printed labels that would say something else now, of each run that is still to be handed over. */
  async findingsOfPrints(): Promise<Finding[]> {
    if ((await this.prints()).length === 0) return [];
    return (await this.runs()).flatMap(findingsOfPrinted);
  }

  /** What a code says: the lot alone in bars; in squares the address of its page, where another device can open it. */
  private codeText({ label }: KitchenDraft, lot: string): string {
    const [address] = this.servedAt();
    return label.code === 'qr' && address !== undefined ? `${address}/contents/${lot}` : lot;
  }

  /** The paper of a label or a ticket of this kitchen; a ticket has no second side. @param size of it, mm */
  pageOf({ label }: KitchenDraft, size: Size, lot: string | null, isLabel: boolean): LabelPage {
    const { widthMm, heightMm } = size;
    return {
      widthMm,
      heightMm,
      nameFace: label.nameFace,
      second: isLabel && label.second !== 'none' ? label.secondKinds : null,
      code: lot === null || label.code === 'none' ? null : codeSizeMm[label.code],
      logo: sizeOfPng(bytesOfPng(label.logo), LOGO_MM),
    };
  }

  /** A layout with the code that goes on it. */
  async withCode(kitchen: KitchenDraft, layout: LabelLayout, lot: string | null) {
    const { code } = kitchen.label;
    const isWanted = layout.code !== null && lot !== null && code !== 'none';
    return { layout, codePng: isWanted ? await codePng(code, this.codeText(kitchen, lot)) : null };
  }

  /** Every side of a label, or a ticket, on its paper. A ticket has no lot. */
  sides(kitchen: KitchenDraft, ticket: Ticket, size: Size, lot: string | null): LabelLayout[] {
    return setLabel(ticket, this.pageOf(kitchen, size, lot, lot !== null));
  }

  /** How high it would have to be, mm. */
  leastHeight(kitchen: KitchenDraft, ticket: Ticket, size: Size, lot: string | null): number {
    return leastHeight(ticket, this.pageOf(kitchen, size, lot, lot !== null));
  }
}

/** That printed labels of a run would say something else now. */
function findingsOfPrinted({
  boxId,
  boxName,
  changed,
  lastPrintedAt,
}: Pick<LabelRunState, 'boxId' | 'boxName' | 'changed' | 'lastPrintedAt'>): Finding[] {
  if (changed === 0 || lastPrintedAt === null) return [];
  const box: Subject<'box'> = { noun: 'box', id: boxId, name: boxName };
  return [finding('label-words-changed', box, { count: changed, on: lastPrintedAt.slice(0, 10) })];
}

const lotOfRun = (run: LabelRun): string => lotOf({ ...run, key: packedKey(run.boxId, run) });

/** Recipes of which more is planned. */
const stillMade = ({ runs }: Plan): ReadonlySet<string> => new Set(runs.map(({ recipeId }) => recipeId));

/** The label of a run in words. */
function wordedRun(run: LabelRun, { season, plan, today }: Planned): Worded & { readonly lot: string } {
  // What really went in is on the label, as far as it is made.
  const book = bookAsMade(season.book, run.handOver, stillMade(plan));
  const box = packBox(season.book, run.boxId, run);
  if (!box) throw notFound('box', run.boxId);
  const facts = reallyIn(book, box.facts);
  const school = run.school ?? book.kitchen.label.school;
  const ways = crossContact(run, facts, plan, book);
  const lot = lotOfRun(run);
  const label = labelOf(schools[school], facts, book, {
    dates: run,
    lot,
    fromKitchen: ways.map(({ allergen }) => allergen),
    today,
  });
  return { label, school, run, lot, crossContact: ways };
}
