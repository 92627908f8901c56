import { NumberInput } from '../parts/fields';
import { OwnedPicker } from './OwnedPicker';
import { shade } from './shade';
import type { FormView } from './view';

export const cut: FormView = {
  namesRecipe: true,
  Fields: ({ season, path }) => (
    <>
      <OwnedPicker
        label="Pan you own"
        owned={season.data.kitchen.pans}
        say={({ name, lengthMm, widthMm }) => `${name}, ${String(lengthMm)} × ${String(widthMm)} mm`}
        valuesOf={({ lengthMm, widthMm }) => ({ panLengthMm: lengthMm, panWidthMm: widthMm })}
        path={path}
      />
      <NumberInput name={`${path}.panLengthMm`} label="Pan length" unit="mm" />
      <NumberInput name={`${path}.panWidthMm`} label="Pan width" unit="mm" />
      <NumberInput name={`${path}.pieceLengthMm`} label="Piece length" unit="mm" />
      <NumberInput name={`${path}.pieceWidthMm`} label="Piece width" unit="mm" />
      <NumberInput name={`${path}.edgeTrimMm`} label="Trim, each edge" unit="mm" />
      <NumberInput name={`${path}.kerfMm`} label="Kerf" unit="mm" />
      <NumberInput name={`${path}.pansPerBatch`} label="Pans a base batch" />
    </>
  ),
  draw: (colour) => (
    <>
      <rect x="6" y="8" width="36" height="34" rx="2" fill={shade(colour, -0.28)} />
      <path d="M6 10a2 2 0 0 1 2-2h32a2 2 0 0 1 2 2l-4 6H10z" fill={shade(colour, 0.3)} />
      <rect x="10" y="15" width="28" height="23" fill={colour} />
    </>
  ),
};
