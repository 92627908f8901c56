/** The longest side of a picture as it is kept, pixels: 20 mm at 600 dots an inch. */
const MOST_PIXELS = 480;
const MOST_BYTES = 10_000_000;

/**
 * A picture of the maker's, written anew as a PNG: what else was in the file does not come along.
 * @throws Error in words when it is no picture, or too large
 */
export async function pictureAsPng(file: File): Promise<string> {
  if (file.size > MOST_BYTES) throw new Error(`${file.name} is larger than 10 MB: take a smaller one.`);
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file);
  } catch {
    throw new Error(`${file.name} is no picture that can be read: take a PNG or a JPEG.`);
  }
  const scale = Math.min(1, MOST_PIXELS / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return canvas.toDataURL('image/png');
}
