import type { IngredientFiled, StockPart } from '../ingredient/index.js';

/** A trade item number before the rest of a code (GS1 General Specifications, application identifier 01, from memory). */
const ITEM = /^\(?01\)?\d{14}/;

/**
 * The lot of an ingredient that a scanned or typed code means. Lots are known by the day by which they are to be used: as `2027-01-02`, as
 * six digits YYMMDD, or behind the application identifiers 15 and 17 (GS1 General Specifications, from memory).
 * @returns the lot, or null when the code names none that is there
 */
export function lotOfCode(code: string, { lots }: Pick<IngredientFiled, 'lots'>): StockPart | null {
  const text = code.trim();
  const rest = text.replace(ITEM, '');
  const means = ({ useBy }: StockPart): boolean => {
    if (useBy === null) return false;
    const short = useBy.slice(2).replaceAll('-', '');
    return text === useBy || text === short || new RegExp(`^(?:.*[^\\d])?\\(?1[57]\\)?${short}`).test(rest);
  };
  return lots.find(means) ?? null;
}
