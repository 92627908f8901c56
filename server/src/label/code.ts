import { toBuffer, toSVG } from 'bwip-js/node';

/** How a lot is written for a reader of codes: in squares (QR, ISO/IEC 18004) or in bars (Code 128, ISO/IEC 15417). */
type Kind = 'qr' | 'bars';

/** How large a code is on a label, mm: modules of half a millimetre and more. Common practice, no source. */
export const codeSizeMm = {
  qr: { widthMm: 16, heightMm: 16 },
  bars: { widthMm: 34, heightMm: 9 },
} as const;

const optionsOf = (kind: Kind, text: string) =>
  kind === 'qr'
    ? { bcid: 'qrcode', text, paddingwidth: 2, paddingheight: 2 }
    : { bcid: 'code128', text, height: 8, paddingwidth: 4 };

export const codeSvg = (kind: Kind, text: string): string => toSVG(optionsOf(kind, text));

export const codePng = (kind: Kind, text: string): Promise<Uint8Array> =>
  toBuffer({ ...optionsOf(kind, text), scale: 6, backgroundcolor: 'FFFFFF' });
