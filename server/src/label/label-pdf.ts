import {
  layOutLabel,
  leastLabelHeight,
  type Label,
  type LabelFace,
  type LabelLayout,
  type Measure,
} from '@usual-pantry/core/label';
import PDFDocument from 'pdfkit';
import { labelFonts } from './fonts.js';

const POINTS_PER_MM = 72 / 25.4;

const withFaces = (document: PDFKit.PDFDocument): PDFKit.PDFDocument => {
  for (const face of Object.keys(labelFonts) as LabelFace[]) document.registerFont(face, labelFonts[face]);
  return document;
};

let ruler: PDFKit.PDFDocument | null = null;

/** Measures with the very fonts of the PDF. Reading them takes a while, so one document serves as the ruler for all. */
const measure: Measure = (text, face, sizeMm) => {
  ruler ??= withFaces(new PDFDocument({ autoFirstPage: false }));
  return (
    ruler
      .font(face)
      .fontSize(sizeMm * POINTS_PER_MM)
      .widthOfString(text) / POINTS_PER_MM
  );
};

/** A label set in type with the faces of the PDF. */
export const setLabel = (label: Label, widthMm: number, heightMm: number): LabelLayout =>
  layOutLabel(label, widthMm, heightMm, measure);

/** The least height in mm at which it fits, set with the same faces. */
export const leastHeight = (label: Label, widthMm: number, heightMm: number): number =>
  leastLabelHeight(label, widthMm, heightMm, measure);

/**
 * A PDF of equal labels at true size, one a page, with the fonts embedded.
 * @param copies one or more
 * @returns the whole file
 */
export function labelPdf(layout: LabelLayout, title: string, copies: number): Promise<Buffer> {
  const document = withFaces(
    new PDFDocument({
      autoFirstPage: false,
      margin: 0,
      size: [layout.widthMm * POINTS_PER_MM, layout.heightMm * POINTS_PER_MM],
      info: { Title: title, Creator: 'Usual Pantry' },
    }),
  );
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => {
      resolve(Buffer.concat(chunks));
    });
    document.on('error', reject);
    for (let copy = 0; copy < copies; copy++) {
      document.addPage();
      for (const run of layout.runs)
        document
          .font(run.face)
          .fontSize(run.sizeMm * POINTS_PER_MM)
          .text(run.text, run.x * POINTS_PER_MM, run.y * POINTS_PER_MM, { lineBreak: false, baseline: 'alphabetic' });
    }
    document.end();
  });
}
