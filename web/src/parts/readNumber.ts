import { decimalSign } from '@usual-pantry/core/quantity';
import { typedNumber } from '@usual-pantry/core/reading';

/** A number as it is typed into a field, in the kitchen's way of writing. NaN when it is none, or may be two. */
export const readNumber = typedNumber;

/** A number as it would be typed: with the kitchen's decimal sign, without anything between thousands. */
export const sayTyped = (value: number): string => String(value).replace('.', decimalSign());
