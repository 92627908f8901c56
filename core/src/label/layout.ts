import type { Label, LabelBlock } from './label.js';

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
}

/** A label set in type. */
export interface LabelLayout {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly runs: readonly LabelRunOfText[];
  /** How much higher the label would have to be, mm; 0 when it fits. */
  readonly overflowMm: number;
}

/** Height of the small x, and of the capitals, of the shipped text face as shares of its size (read from its OS/2 table). */
export const TEXT_FACE = { xHeight: 0.496, capHeight: 0.668 };

const MARGIN_MM = 2.5;
const LEADING = 1.18;
const GAP_MM = 0.7;

/** Size at which the lower-case letters of the text face are `letterMm` high. */
const sizeForLetters = (letterMm: number): number => letterMm / TEXT_FACE.xHeight;

/** A word with its face; a paragraph is a list of them. */
interface Word {
  readonly text: string;
  readonly face: LabelFace;
}

/** The name of the food is in bold type (21 CFR 101.3(d), from memory). */
const boldKinds: ReadonlySet<LabelBlock['kind']> = new Set(['food', 'contains', 'net']);

const wordsOf = (block: LabelBlock): Word[] => {
  const split = (text: string, face: LabelFace): Word[] =>
    text
      .split(' ')
      .filter(Boolean)
      .map((each) => ({ text: each, face }));
  const face: LabelFace = block.kind === 'name' ? 'heading' : boldKinds.has(block.kind) ? 'bold' : 'text';
  return [...split(block.heading, 'bold'), ...split(block.text, face)];
};

/**
 * Sets a label in type, top down, breaking lines between words. Text is as large as the least letter height asks for, the net
 * quantity stands at the foot, in the lowest 30 % of the panel (21 CFR 101.7(f)).
 * @returns positions in mm, and by how much it overflows; nothing is dropped or shrunk below the least height
 */
export function layOutLabel(label: Label, widthMm: number, heightMm: number, measure: Measure): LabelLayout {
  const textSize = sizeForLetters(label.textLetterMm);
  // Where there is lower case, it is the "o" that must be high enough (21 CFR 101.7(h)(2), from memory).
  const netSize = sizeForLetters(label.netLetterMm);
  const sizes: Partial<Record<LabelBlock['kind'], number>> = {
    name: textSize * 1.45,
    net: netSize,
  };
  const inner = widthMm - 2 * MARGIN_MM;
  const runs: LabelRunOfText[] = [];
  let top = MARGIN_MM;

  /** A paragraph broken into lines between words. */
  const linesOf = (block: LabelBlock): LabelRunOfText[][] => {
    const size = sizes[block.kind] ?? textSize;
    const space = measure(' ', 'text', size);
    const lines: LabelRunOfText[][] = [];
    let line: LabelRunOfText[] = [];
    let x = MARGIN_MM;
    for (const word of wordsOf(block)) {
      const wide = measure(word.text, word.face, size);
      if (line.length > 0 && x + wide > MARGIN_MM + inner) {
        lines.push(line);
        line = [];
        x = MARGIN_MM;
      }
      const before = line.at(-1);
      if (before?.face === word.face) line[line.length - 1] = { ...before, text: `${before.text} ${word.text}` };
      else line.push({ text: word.text, face: word.face, sizeMm: size, x, y: 0 });
      x += wide + space;
    }
    return line.length > 0 ? [...lines, line] : lines;
  };
  const set = (block: LabelBlock) => {
    const size = sizes[block.kind] ?? textSize;
    for (const line of linesOf(block)) {
      runs.push(...line.map((run) => ({ ...run, y: top + size * 0.8 })));
      top += size * LEADING;
    }
    top += GAP_MM;
  };

  const net = label.blocks.filter((block) => block.kind === 'net');
  label.blocks.filter((block) => block.kind !== 'net').forEach(set);
  const netLines = net.reduce((sum, block) => sum + linesOf(block).length, 0);
  const netTop = heightMm - MARGIN_MM - netLines * netSize * LEADING;
  const overflowMm = Math.max(0, top - netTop);
  top = Math.max(top, netTop);
  net.forEach(set);
  return { widthMm, heightMm, runs, overflowMm };
}

/**
 * The least height, in whole mm, at which a label fits at this width.
 * @param heightMm where to start: the answer is never less
 */
export function leastLabelHeight(label: Label, widthMm: number, heightMm: number, measure: Measure): number {
  let height = heightMm;
  for (;;) {
    const { overflowMm } = layOutLabel(label, widthMm, height, measure);
    if (overflowMm === 0) return height;
    height += Math.ceil(overflowMm);
  }
}
