import {
  layOutLabel,
  type Label,
  type LabelFace,
  type LabelLayout,
} from '@usual-pantry/core/label';
import PDFDocument from 'pdfkit';
import { labelFonts } from '../label/fonts.js';

const POINTS_PER_MM = 72 / 25.4;
const faces = Object.keys(labelFonts) as LabelFace[];

/** A document of the label's size with its faces, and the label set in type with them. */
function prepare(label: Label, widthMm: number, heightMm: number) {
  const document = new PDFDocument({
    autoFirstPage: false,
    margin: 0,
    size: [widthMm * POINTS_PER_MM, heightMm * POINTS_PER_MM],
    info: { Title: label.blocks[0]?.text ?? 'Label', Creator: 'Usual Pantry' },
  });
  for (const face of faces) document.registerFont(face, labelFonts[face]);
  const layout = layOutLabel(
    label,
    widthMm,
    heightMm,
    (text, face, sizeMm) =>
      document
        .font(face)
        .fontSize(sizeMm * POINTS_PER_MM)
        .widthOfString(text) / POINTS_PER_MM,
  );
  return { document, layout };
}

/** A label set in type with the faces of the PDF. */
export const setLabel = (label: Label, widthMm: number, heightMm: number): LabelLayout =>
  prepare(label, widthMm, heightMm).layout;

/**
 * A PDF of equal labels at true size, one a page, with the fonts embedded.
 * @param copies one or more
 * @returns the whole file
 */
export function labelPdf(
  label: Label,
  widthMm: number,
  heightMm: number,
  copies: number,
): Promise<Buffer> {
  const { document, layout } = prepare(label, widthMm, heightMm);
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
          .text(run.text, run.x * POINTS_PER_MM, run.y * POINTS_PER_MM, {
            lineBreak: false,
            baseline: 'alphabetic',
          });
    }
    document.end();
  });
}
