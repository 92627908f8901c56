import { lengthUnit } from '@usual-pantry/core/quantity';
import { readNumber, sayTyped } from '../parts/readNumber';
import { SettledField, type SettledFieldProps } from './SettledField';

interface Props extends Omit<SettledFieldProps, 'value' | 'onSettle'> {
  readonly mm: number;
  readonly onSettle: (mm: number) => Promise<boolean>;
}

/** A length in the kitchen's unit that is stored, in mm, when it is left. */
export function LengthField({ mm, label, onSettle, ...look }: Props) {
  const { unit, stored } = lengthUnit();
  return (
    <SettledField
      {...look}
      label={`${label}, ${unit}`}
      value={sayTyped(Number((mm / stored).toFixed(unit === 'mm' ? 1 : 3)))}
      onSettle={(typed) => onSettle(readNumber(typed) * stored)}
    />
  );
}
