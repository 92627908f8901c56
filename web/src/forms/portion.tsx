import { NumberInput } from '../parts/fields';
import { Finish } from './Finish';
import { Layers } from './Layers';
import { shade } from './shade';
import type { FormView } from './view';

export const portion: FormView = {
  namesRecipe: true,
  Fields: ({ season, path }) => (
    <>
      <NumberInput name={`${path}.fillGrams`} label="Fill" unit="g" />
      <Finish season={season} path={path} />
      <Layers season={season} path={path} />
    </>
  ),
  draw: (colour) => (
    <>
      <rect x="9" y="12" width="30" height="32" rx="5" fill={shade(colour, 0.55)} />
      <path d="M9 22h30v17a5 5 0 0 1-5 5H14a5 5 0 0 1-5-5z" fill={colour} />
      <rect x="11" y="4" width="26" height="9" rx="2" fill={shade(colour, -0.4)} />
    </>
  ),
};
