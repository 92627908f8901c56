import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';

const MM_PER_POINT = 25.4 / 72;

interface PdfPage {
  readonly text: string;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** What a PDF says and how large its pages are, read with an independent reader. */
export async function readPdf(file: Buffer): Promise<{ pages: PdfPage[]; fontsEmbedded: boolean }> {
  const fontsEmbedded = file.includes('/FontFile2') || file.includes('/FontFile3');
  const document = await getDocument({ data: new Uint8Array(file), useSystemFonts: false, verbosity: 0 }).promise;
  const pages: PdfPage[] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const { items } = await page.getTextContent();
    const [, , width = 0, height = 0] = page.view;
    const text = items.map((item) => ('str' in item ? item.str + (item.hasEOL ? ' ' : '') : '')).join('');
    pages.push({ text: text.replace(/\s+/g, ' '), widthMm: width * MM_PER_POINT, heightMm: height * MM_PER_POINT });
  }
  return { pages, fontsEmbedded };
}

/** A stretch of text on a page: where its left end stands on the line, mm from the top left, and how large it is. */
interface PdfText {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  readonly sizeMm: number;
}

/** Where each text of each page stands, read with the same independent reader. */
export async function readPlaces(file: Buffer): Promise<PdfText[][]> {
  const document = await getDocument({ data: new Uint8Array(file), useSystemFonts: false, verbosity: 0 }).promise;
  const pages: PdfText[][] = [];
  for (let number = 1; number <= document.numPages; number++) {
    const page = await document.getPage(number);
    const { items } = await page.getTextContent();
    const [, , , height = 0] = page.view;
    pages.push(
      items.flatMap((item): PdfText[] => {
        if (!('str' in item) || item.str.trim() === '') return [];
        const [, , , size = 0, x = 0, y = 0] = item.transform as number[];
        return [{ text: item.str, x: x * MM_PER_POINT, y: (height - y) * MM_PER_POINT, sizeMm: size * MM_PER_POINT }];
      }),
    );
  }
  return pages;
}
