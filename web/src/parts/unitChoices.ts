import { unitCodes, units } from '@usual-pantry/core/quantity';

/** Every unit, as a list offers it. */
export const unitChoices = unitCodes.map((code) => ({ value: code, label: units[code].label }));
