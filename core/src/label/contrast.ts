/** The light of a channel that is kept as 0 to 255. */
const linear = (value: number): number => {
  const share = value / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
};

/**
 * How far a colour stands out from white paper: from 1, not at all, to 21.
 * Source: Web Content Accessibility Guidelines 2.2, contrast ratio and relative luminance.
 * @param colour such as #1e3f66
 */
export function contrastOnWhite(colour: string): number {
  const [red = 0, green = 0, blue = 0] = [1, 3, 5].map((at) => linear(parseInt(colour.slice(at, at + 2), 16)));
  return 1.05 / (0.2126 * red + 0.7152 * green + 0.0722 * blue + 0.05);
}
