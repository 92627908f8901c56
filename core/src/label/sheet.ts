import type { OwnSheet } from '../kitchen/index.js';

/** A sheet of labels: equal cells in rows and columns, in the middle of the paper. All in mm. */
export interface SheetGrid {
  readonly id: string;
  readonly name: string;
  readonly paper: { readonly name: 'A4' | 'Letter'; readonly widthMm: number; readonly heightMm: number };
  readonly columns: number;
  readonly rows: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** Between two cells. */
  readonly gapXMm: number;
  readonly gapYMm: number;
}

const A4 = { name: 'A4', widthMm: 210, heightMm: 297 } as const;
const LETTER = { name: 'Letter', widthMm: 215.9, heightMm: 279.4 } as const;
const INCH = 25.4;

/** Sides and gaps of a cell, in the unit of the sheet. */
type Cell = readonly [width: number, height: number, gapX?: number, gapY?: number];

const grid = (
  paper: SheetGrid['paper'],
  stored: number,
  [columns, rows]: readonly [number, number],
  said: string,
  [width, height, gapX = 0, gapY = 0]: Cell,
): SheetGrid => ({
  id: `${paper.name.toLowerCase()}-${String(columns)}x${String(rows)}`,
  name: `${paper.name}, ${String(columns)} × ${String(rows)} of ${said}`,
  paper,
  columns,
  rows,
  widthMm: width * stored,
  heightMm: height * stored,
  gapXMm: gapX * stored,
  gapYMm: gapY * stored,
});

const metric = (columns: number, rows: number, ...cell: Cell): SheetGrid =>
  grid(A4, 1, [columns, rows], `${String(cell[0])} × ${String(cell[1])} mm`, cell);

/** @param said its sides, as inches are written */
const inches = (columns: number, rows: number, said: string, ...cell: Cell): SheetGrid =>
  grid(LETTER, INCH, [columns, rows], `${said} in`, cell);

/** Common grids; an own one goes beside them. Their sizes are common practice, no source. */
export const sheetGrids: readonly SheetGrid[] = [
  metric(1, 2, 199.6, 143.5),
  metric(2, 2, 99.1, 139, 2.5),
  metric(2, 3, 99.1, 93.1, 2.5),
  metric(2, 4, 99.1, 67.7, 2.5),
  metric(2, 7, 99.1, 38.1, 2.5),
  metric(3, 4, 63.5, 72, 2.5),
  metric(3, 6, 63.5, 46.6, 2.5),
  metric(3, 7, 63.5, 38.1, 2.5),
  metric(3, 8, 70, 37),
  inches(1, 2, '8 × 5', 8, 5),
  inches(2, 2, '4 × 5', 4, 5, 0.1875),
  inches(2, 3, '4 × 3 1/3', 4, 10 / 3, 0.1875),
  inches(2, 5, '4 × 2', 4, 2, 0.1875),
  inches(2, 7, '4 × 1 1/3', 4, 4 / 3, 0.1875),
  inches(3, 10, '2 5/8 × 1', 2.625, 1, 0.125),
];

/** The own sheet of a kitchen as a grid. */
export const ownGrid = ({ paper, ...cells }: OwnSheet): SheetGrid => ({
  ...cells,
  id: 'own',
  name: `${paper}, ${String(cells.columns)} × ${String(cells.rows)} of your own`,
  paper: paper === 'A4' ? A4 : LETTER,
});

/**
 * The sheet that is meant.
 * @param id `single` for one label a page, `own` for the own sheet, or that of a common grid
 * @returns null for one label a page; undefined when there is no such sheet
 */
export const gridNamed = (id: string, own: OwnSheet | null): SheetGrid | null | undefined =>
  id === 'single' ? null : id === 'own' ? (own ? ownGrid(own) : undefined) : sheetGrids.find((each) => each.id === id);

export const cellsOf = ({ columns, rows }: SheetGrid): number => columns * rows;

/** Whether the cells are on the paper. */
export const fitsPaper = ({ paper, columns, rows, widthMm, heightMm, gapXMm, gapYMm }: SheetGrid): boolean =>
  columns * widthMm + (columns - 1) * gapXMm <= paper.widthMm + 1e-6 &&
  rows * heightMm + (rows - 1) * gapYMm <= paper.heightMm + 1e-6;

/** How far what is printed must be moved so that it is where it should, mm to the right and down. */
export interface PrinterOffset {
  readonly xMm: number;
  readonly yMm: number;
}

/** The top left corner of a cell, counted row by row from 0, mm from that of the paper. */
export function cornerOf(
  grid: SheetGrid,
  cell: number,
  offset: PrinterOffset = { xMm: 0, yMm: 0 },
): { xMm: number; yMm: number } {
  const { paper, columns, rows, widthMm, heightMm, gapXMm, gapYMm } = grid;
  const left = (paper.widthMm - columns * widthMm - (columns - 1) * gapXMm) / 2;
  const top = (paper.heightMm - rows * heightMm - (rows - 1) * gapYMm) / 2;
  return {
    xMm: left + (cell % columns) * (widthMm + gapXMm) + offset.xMm,
    yMm: top + Math.floor(cell / columns) * (heightMm + gapYMm) + offset.yMm,
  };
}

/** A label on its sheet. */
export interface Placed {
  /** Which of the runs it is of. */
  readonly run: number;
  readonly xMm: number;
  readonly yMm: number;
}

/**
 * Puts runs of labels on sheets, one after another and cell by cell.
 * @param startCell the first free cell of the first sheet, from 0
 * @param counts of each run, in the order of packing
 * @returns the labels of each sheet
 */
export function placeOnSheets(
  grid: SheetGrid,
  startCell: number,
  counts: readonly number[],
  offset?: PrinterOffset,
): Placed[][] {
  const pages: Placed[][] = [];
  let cell = startCell;
  counts.forEach((count, run) => {
    for (let label = 0; label < count; label++) {
      const page = Math.floor(cell / cellsOf(grid));
      (pages[page] ??= []).push({ run, ...cornerOf(grid, cell % cellsOf(grid), offset) });
      cell++;
    }
  });
  return pages;
}

/**
 * Where the next print can begin, after so many labels.
 * @param startCell the first cell that they take, from 0
 * @returns the cell, from 0; null when the last sheet is full
 */
export function nextFreeCell(grid: SheetGrid, startCell: number, labels: number): number | null {
  const next = (startCell + labels) % cellsOf(grid);
  return next === 0 ? null : next;
}
