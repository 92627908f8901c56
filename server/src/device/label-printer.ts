/** Injection token of the {@link LabelPrinter}. */
export const LABEL_PRINTER = Symbol('LABEL_PRINTER');

/** Something that puts labels on paper. */
export interface LabelPrinter {
  /** @throws Error in words when it cannot print */
  print: (pdf: Uint8Array, name: string) => Promise<void>;
  /** What it has printed under that name; null when it does not keep it. */
  printed: (name: string) => Promise<Uint8Array | null>;
}
