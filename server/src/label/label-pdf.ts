import {
  layOutLabel,
  leastLabelHeight,
  sidesOf,
  type LabelFace,
  type LabelLayout,
  type LabelPage,
  type Measure,
  type Ticket,
} from '@usual-pantry/core/label';
import PDFDocument from 'pdfkit';
import { letOthersIn } from '../thread/thread.js';
import { labelFonts } from './fonts.js';

const POINTS_PER_MM = 72 / 25.4;

const withFaces = (document: PDFKit.PDFDocument): PDFKit.PDFDocument => {
  for (const face of Object.keys(labelFonts) as LabelFace[]) document.registerFont(face, labelFonts[face]);
  return document;
};

/** What the types of the library leave out: a picture that is read once and drawn many times. */
const withImages = (document: PDFKit.PDFDocument) =>
  document as unknown as { openImage: (png: Buffer) => PDFKit.Mixins.ImageSrc };

let ruler: PDFKit.PDFDocument | null = null;
const widths = new Map<string, number>();
const MOST_WIDTHS = 20_000;

/** Measures with the very fonts of the PDF. Reading them takes a while, so one document serves as the ruler for all. */
const measure: Measure = (text, face, sizeMm) => {
  const key = `${face}|${text}`;
  let width = widths.get(key);
  if (width === undefined) {
    ruler ??= withFaces(new PDFDocument({ autoFirstPage: false }));
    // At 100 points: a width grows with its size.
    width = ruler.font(face).fontSize(100).widthOfString(text) / 100;
    if (widths.size > MOST_WIDTHS) widths.clear();
    widths.set(key, width);
  }
  return width * sizeMm;
};

/** Every side of a label, set in type with the faces of the PDF. The code stands on the last side, the picture on the first. */
export const setLabel = (label: Ticket, page: LabelPage): LabelLayout[] => {
  const sides = sidesOf(label, page);
  return sides.map((side, index) =>
    layOutLabel(
      side,
      {
        ...page,
        code: index === sides.length - 1 ? (page.code ?? null) : null,
        logo: index === 0 ? (page.logo ?? null) : null,
      },
      measure,
    ),
  );
};

/** The least height in mm at which all sides fit, set with the same faces. */
export const leastHeight = (label: Ticket, page: LabelPage): number =>
  Math.max(...sidesOf(label, page).map((side) => leastLabelHeight(side, page, measure)));

/** A side of a label on a page, at its place. */
export interface OnPage {
  /** Which of the layouts. */
  readonly layout: number;
  readonly xMm: number;
  readonly yMm: number;
}

/** Pages of labels. */
export interface LabelJob {
  readonly title: string;
  readonly layouts: readonly { readonly layout: LabelLayout; readonly codePng: Uint8Array | null }[];
  readonly pages: readonly {
    readonly widthMm: number;
    readonly heightMm: number;
    readonly labels: readonly OnPage[];
    /** Outlines and a scale, for a page by which the printer is set; or marks where a single label is cut out. */
    readonly marks: 'none' | 'outlines' | 'crop';
  }[];
  /** The colour of names, such as #1e3f66. */
  readonly accent: string;
  readonly logoPng: Uint8Array | null;
}

/** Lines by which it is seen how far a printer is off: the edge of each cell, and a scale of millimetres at the first one. */
function drawOutline(
  document: PDFKit.PDFDocument,
  { layout, xMm, yMm }: { layout: LabelLayout; xMm: number; yMm: number },
): void {
  const at = (mm: number) => mm * POINTS_PER_MM;
  document.lineWidth(0.3).strokeColor('#000000');
  document.rect(at(xMm), at(yMm), at(layout.widthMm), at(layout.heightMm)).stroke();
  for (let mm = 0; mm <= 10; mm++) {
    const long = mm % 5 === 0 ? 3 : 1.5;
    document.moveTo(at(xMm + mm), at(yMm)).lineTo(at(xMm + mm), at(yMm + long)).stroke(); // prettier-ignore
    document.moveTo(at(xMm), at(yMm + mm)).lineTo(at(xMm + long), at(yMm + mm)).stroke(); // prettier-ignore
  }
}

/** Short lines in the bleed, at the four corners of a label that is cut out. */
function drawCropMarks(
  document: PDFKit.PDFDocument,
  { layout, xMm, yMm }: { layout: LabelLayout; xMm: number; yMm: number },
): void {
  const at = (mm: number) => mm * POINTS_PER_MM;
  document.lineWidth(0.3).strokeColor('#000000');
  for (const x of [xMm, xMm + layout.widthMm])
    for (const [from, to] of [
      [0, yMm],
      [yMm + layout.heightMm, 2 * yMm + layout.heightMm],
    ] as const)
      document.moveTo(at(x), at(from)).lineTo(at(x), at(to)).stroke();
  for (const y of [yMm, yMm + layout.heightMm])
    for (const [from, to] of [
      [0, xMm],
      [xMm + layout.widthMm, 2 * xMm + layout.widthMm],
    ] as const)
      document.moveTo(at(from), at(y)).lineTo(at(to), at(y)).stroke();
}

/** A page for each of these sides, as large as the label and its bleed. */
export const pagesOfOne = (
  sides: readonly { readonly layout: LabelLayout; readonly index: number }[],
  bleedMm: number,
): LabelJob['pages'] =>
  sides.map(({ layout: { widthMm, heightMm }, index }) => ({
    widthMm: widthMm + 2 * bleedMm,
    heightMm: heightMm + 2 * bleedMm,
    marks: bleedMm > 0 ? 'crop' : 'none',
    labels: [{ layout: index, xMm: bleedMm, yMm: bleedMm }],
  }));

/**
 * A PDF of labels at true size, with the fonts embedded.
 * @param tell is told how many pages are done
 * @returns the whole file
 */
export async function labelPdf(job: LabelJob, tell: (pages: number) => void = () => undefined): Promise<Buffer> {
  const document = withFaces(
    new PDFDocument({ autoFirstPage: false, margin: 0, info: { Title: job.title, Creator: 'Usual Pantry' } }),
  );
  const chunks: Buffer[] = [];
  const whole = new Promise<Buffer>((resolve, reject) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => {
      resolve(Buffer.concat(chunks));
    });
    document.on('error', reject);
  });
  const open = (png: Uint8Array | null) => (png ? withImages(document).openImage(Buffer.from(png)) : null);
  const codes = job.layouts.map(({ codePng }) => open(codePng));
  const logo = open(job.logoPng);
  const at = (mm: number) => mm * POINTS_PER_MM;
  for (const [done, { widthMm, heightMm, labels, marks }] of job.pages.entries()) {
    document.addPage({ size: [at(widthMm), at(heightMm)], margin: 0 });
    for (const { layout: index, xMm, yMm } of labels) {
      const layout = job.layouts[index]?.layout;
      if (!layout) continue;
      if (marks === 'outlines') drawOutline(document, { layout, xMm, yMm });
      if (marks === 'crop') drawCropMarks(document, { layout, xMm, yMm });
      const code = codes[index];
      if (layout.code && code) document.image(code, at(xMm + layout.code.x), at(yMm + layout.code.y), { width: at(layout.code.widthMm), height: at(layout.code.heightMm) }); // prettier-ignore
      if (layout.logo && logo) document.image(logo, at(xMm + layout.logo.x), at(yMm + layout.logo.y), { width: at(layout.logo.widthMm), height: at(layout.logo.heightMm) }); // prettier-ignore
      for (const run of layout.runs)
        document
          .font(run.face)
          .fontSize(at(run.sizeMm))
          .fillColor(run.accent ? job.accent : '#000000')
          .text(run.text, at(xMm + run.x), at(yMm + run.y), { lineBreak: false, baseline: 'alphabetic' });
    }
    tell(done + 1);
    await letOthersIn();
  }
  document.end();
  return whole;
}
