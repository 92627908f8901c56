import type { BlockKind } from '../kitchen/index.js';
import type { Label as WholeLabel, LabelBlock } from './label.js';

/** What is needed of a label to set it in type. */
type Label = Pick<WholeLabel, 'blocks' | 'netLetterMm' | 'textLetterMm'>;

/** The faces of a label. */
export type LabelFace = 'text' | 'bold' | 'heading';

/** Width of a text in mm when set in a face at a size in mm. Handed in by the page or by the PDF writer. */
export type Measure = (text: string, face: LabelFace, sizeMm: number) => number;

/** A run of text at a place, all in mm from the top left; `y` is the baseline. */
export interface LabelRunOfText {
  readonly text: string;
  readonly face: LabelFace;
  readonly sizeMm: number;
  readonly x: number;
  readonly y: number;
  /** Whether it is set in the label's second colour. */
  readonly accent: boolean;
}

/** A place on a label, mm from the top left. */
export interface LabelArea {
  readonly x: number;
  readonly y: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** A label set in type. */
export interface LabelLayout {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly runs: readonly LabelRunOfText[];
  /** Where the code for a reader stands, and the maker's picture; null where there is none. */
  readonly code: LabelArea | null;
  readonly logo: LabelArea | null;
  /** How much higher the label would have to be, mm; 0 when it fits. */
  readonly overflowMm: number;
}

/** What a label is set in. */
export interface LabelPage {
  readonly widthMm: number;
  readonly heightMm: number;
  /** How wide and high the code is, where there is one. */
  readonly code?: Pick<LabelArea, 'widthMm' | 'heightMm'> | null;
  readonly logo?: Pick<LabelArea, 'widthMm' | 'heightMm'> | null;
  /** What stands on a second side; null where there is none. */
  readonly second?: readonly BlockKind[] | null;
  /** The face of the name. */
  readonly nameFace?: 'heading' | 'bold';
}

/** Height of the small x, and of the capitals, of the shipped text face as shares of its size (read from its OS/2 table). */
export const TEXT_FACE = { xHeight: 0.496, capHeight: 0.668 };

const MARGIN_MM = 2.5;
const LEADING = 1.18;
const GAP_MM = 0.7;

/** Size at which the lower-case letters of the text face are `letterMm` high. */
const sizeForLetters = (letterMm: number): number => letterMm / TEXT_FACE.xHeight;

/** A stretch of a word in one face: a word whose parts stand out differently is never broken between them. */
interface Fragment {
  readonly text: string;
  readonly face: LabelFace;
}
type Word = readonly Fragment[];

/** The name of the food is in bold type (21 CFR 101.3(d), from memory). */
const boldKinds: ReadonlySet<LabelBlock['kind']> = new Set(['food', 'contains', 'net']);

function wordsOf(block: LabelBlock, nameFace: LabelFace): Word[] {
  const face: LabelFace = block.kind === 'name' ? nameFace : boldKinds.has(block.kind) ? 'bold' : 'text';
  const words: Fragment[][] = [];
  let open: Fragment[] = [];
  const close = () => {
    if (open.length > 0) words.push(open);
    open = [];
  };
  const add = (text: string, of: LabelFace) => {
    text.split(' ').forEach((part, index) => {
      if (index > 0) close();
      const before = open.at(-1);
      if (part === '') return;
      if (before?.face === of) open[open.length - 1] = { text: before.text + part, face: of };
      else open.push({ text: part, face: of });
    });
  };
  add(block.heading, 'bold');
  close();
  for (const { text, strong } of block.spans) add(text, strong && face === 'text' ? 'bold' : face);
  close();
  return words;
}

/** A rectangle in the right upper, or the right lower corner. */
const inCorner = (
  size: Pick<LabelArea, 'widthMm' | 'heightMm'> | null | undefined,
  page: LabelPage,
  at: 'top' | 'foot',
): LabelArea | null =>
  size
    ? { ...size, x: page.widthMm - MARGIN_MM - size.widthMm, y: at === 'top' ? MARGIN_MM : page.heightMm - MARGIN_MM - size.heightMm } // prettier-ignore
    : null;

/** What lines may not run into. */
interface Corners {
  readonly logo: LabelArea | null;
  readonly code: LabelArea | null;
}

/** How wide a line is that begins at a height, mm. */
function roomAt(top: number, sizeMm: number, { widthMm }: LabelPage, { logo, code }: Corners): number {
  const besideLogo = logo !== null && top < logo.y + logo.heightMm;
  const besideCode = code !== null && top + sizeMm > code.y;
  const taken = Math.max(besideLogo ? logo.widthMm + GAP_MM * 2 : 0, besideCode ? code.widthMm + GAP_MM * 2 : 0);
  return widthMm - 2 * MARGIN_MM - taken;
}

/**
 * Sets a label in type, top down, breaking lines between words. Text is as large as the least letter height asks for, the net
 * quantity stands at the foot, in the lowest 30 % of the panel (21 CFR 101.7(f)).
 * @returns positions in mm, and by how much it overflows; nothing is dropped or shrunk below the least height
 */
export function layOutLabel(label: Label, page: LabelPage, measure: Measure): LabelLayout {
  const { widthMm, heightMm, nameFace = 'heading' } = page;
  const corners: Corners = { logo: inCorner(page.logo, page, 'top'), code: inCorner(page.code, page, 'foot') };
  const textSize = sizeForLetters(label.textLetterMm);
  // Where there is lower case, it is the "o" that must be high enough (21 CFR 101.7(h)(2), from memory).
  const netSize = sizeForLetters(label.netLetterMm);
  const sizeOf = ({ kind }: LabelBlock) => (kind === 'name' ? textSize * 1.45 : kind === 'net' ? netSize : textSize);
  const runs: LabelRunOfText[] = [];
  let top = MARGIN_MM;
  /** A paragraph broken into lines between words, the first one at this height. */
  const linesOf = (block: LabelBlock, from: number): LabelRunOfText[][] => {
    const size = sizeOf(block);
    const space = measure(' ', 'text', size);
    const lines: LabelRunOfText[][] = [];
    let line: LabelRunOfText[] = [];
    let x = MARGIN_MM;
    for (const word of wordsOf(block, nameFace)) {
      const wide = word.reduce((sum, { text, face }) => sum + measure(text, face, size), 0);
      const room = roomAt(from + lines.length * size * LEADING, size, page, corners);
      if (line.length > 0 && x + wide > MARGIN_MM + room) {
        lines.push(line);
        line = [];
        x = MARGIN_MM;
      }
      word.forEach(({ text, face }, index) => {
        const before = line.at(-1);
        if (index === 0 && before?.face === face) line[line.length - 1] = { ...before, text: `${before.text} ${text}` };
        else line.push({ text, face, sizeMm: size, x, y: 0, accent: block.kind === 'name' });
        x += measure(text, face, size);
      });
      x += space;
    }
    return line.length > 0 ? [...lines, line] : lines;
  };
  const set = (block: LabelBlock) => {
    const size = sizeOf(block);
    for (const line of linesOf(block, top)) {
      runs.push(...line.map((run) => ({ ...run, y: top + size * 0.8 })));
      top += size * LEADING;
    }
    top += GAP_MM;
  };
  const net = label.blocks.filter((block) => block.kind === 'net');
  label.blocks.filter((block) => block.kind !== 'net').forEach(set);
  const netLines = net.reduce((sum, block) => sum + linesOf(block, heightMm).length, 0);
  const netTop = heightMm - MARGIN_MM - netLines * netSize * LEADING;
  // The code takes its corner whether text stands beside it or not.
  const least = Math.max(top, corners.logo ? corners.logo.y + corners.logo.heightMm : 0);
  const overflowMm = Math.max(0, least - (net.length > 0 ? netTop : heightMm - MARGIN_MM));
  top = Math.max(top, netTop);
  net.forEach(set);
  return { widthMm, heightMm, runs, ...corners, overflowMm };
}

/** The first and the second side of a label, or one side with everything on it. The name stands on both. */
export function sidesOf<L extends Label>(label: L, { second = null }: Pick<LabelPage, 'second'>): L[] {
  if (second === null) return [label];
  return [
    { ...label, blocks: label.blocks.filter(({ kind }) => !second.includes(kind)) },
    { ...label, blocks: label.blocks.filter(({ kind }) => kind === 'name' || second.includes(kind)) },
  ];
}

/** The least height, in whole mm, at which a label fits at this width: never less than that of the page. */
export function leastLabelHeight(label: Label, page: LabelPage, measure: Measure): number {
  let { heightMm } = page;
  for (;;) {
    const { overflowMm } = layOutLabel(label, { ...page, heightMm }, measure);
    if (overflowMm === 0) return heightMm;
    heightMm += Math.ceil(overflowMm);
  }
}
