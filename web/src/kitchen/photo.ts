const MOST_SIDE = 1024;
const MOST_CHARACTERS = 380_000;

/**
 * A picture as it is kept: no larger than a screen, and small enough to be sent.
 * @throws when the file is no picture that this browser reads
 */
export async function readPhoto(file: File): Promise<string> {
  const picture = await createImageBitmap(file);
  const scale = Math.min(1, MOST_SIDE / Math.max(picture.width, picture.height));
  const canvas = document.createElement('canvas');
  for (let smaller = scale; ; smaller *= 0.7) {
    canvas.width = Math.max(1, Math.round(picture.width * smaller));
    canvas.height = Math.max(1, Math.round(picture.height * smaller));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const jpeg = canvas.toDataURL('image/jpeg', 0.75);
    if (jpeg.length <= MOST_CHARACTERS) return jpeg;
  }
}
