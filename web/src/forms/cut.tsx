import { NumberInput, LengthInput } from '../parts/fields';
import { OwnedPicker } from './OwnedPicker';
import { CutShape } from './CutShape';
import { Finish } from './Finish';
import { Layers } from './Layers';
import { shade } from './shade';
import type { FormView } from './view';
import { sayLength } from '@usual-pantry/core/quantity';

export const cut: FormView = {
  namesRecipe: true,
  Fields: ({ season, path }) => (
    <>
      <OwnedPicker
        label="Pan you own"
        owned={season.data.kitchen.pans}
        say={({ name, lengthMm, widthMm }) => `${name}, ${sayLength(lengthMm, widthMm)}`}
        valuesOf={({ lengthMm, widthMm }) => ({ panLengthMm: lengthMm, panWidthMm: widthMm })}
        path={path}
      />
      <LengthInput name={`${path}.panLengthMm`} label="Pan length" />
      <LengthInput name={`${path}.panWidthMm`} label="Pan width" />
      <CutShape path={path} />
      <LengthInput name={`${path}.edgeTrimMm`} label="Trim, each edge" />
      <LengthInput name={`${path}.kerfMm`} label="Kerf" />
      <NumberInput name={`${path}.pansPerBatch`} label="Pans a base batch" />
      <Finish season={season} path={path} />
      <Layers season={season} path={path} />
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
