const SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]);
/** Where the first chunk says how wide the picture is, and how high. Source: ISO/IEC 15948, 11.2.2. */
const WIDTH_AT = 16;
const HEIGHT_AT = 20;
const HEADER_BYTES = 24;

/** Width and height in pixels; null when it is no PNG. */
export function pixelsOfPng(png: Buffer): { readonly width: number; readonly height: number } | null {
  if (png.length < HEADER_BYTES || !png.subarray(0, SIGNATURE.length).equals(SIGNATURE)) return null;
  const [width, height] = [png.readUInt32BE(WIDTH_AT), png.readUInt32BE(HEIGHT_AT)];
  return width > 0 && height > 0 ? { width, height } : null;
}

/** The bytes of a picture that is kept as a data address; null when there is none, or it is no PNG: then labels go without it. */
export function bytesOfPng(dataUrl: string | null): Buffer | null {
  if (dataUrl === null) return null;
  const png = Buffer.from(dataUrl.slice(dataUrl.indexOf(',') + 1), 'base64');
  return pixelsOfPng(png) ? png : null;
}

/** How large a picture is when it fills as much of a place as it can; null without one. */
export function sizeOfPng(png: Buffer | null, most: { readonly widthMm: number; readonly heightMm: number }) {
  const pixels = png && pixelsOfPng(png);
  if (!pixels) return null;
  const scale = Math.min(most.widthMm / pixels.width, most.heightMm / pixels.height);
  return { widthMm: pixels.width * scale, heightMm: pixels.height * scale };
}
