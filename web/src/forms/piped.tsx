import { NumberInput } from '../parts/fields';
import { Finish } from './Finish';
import { shade } from './shade';
import type { FormView } from './view';

export const piped: FormView = {
  namesRecipe: true,
  Fields: ({ season, path }) => (
    <>
      <NumberInput name={`${path}.depositGrams`} label="Deposit" unit="g" />
      <Finish season={season} path={path} />
    </>
  ),
  draw: (colour) => (
    <>
      <path
        d="M24 4c3 8 17 15 17 27 0 8-7 12-17 12S7 39 7 31C7 19 21 12 24 4z"
        fill={colour}
        stroke={shade(colour, -0.35)}
        strokeWidth="1.5"
      />
      <path d="M12 30c8 5 16 5 24 0M16 22c5 3 11 3 16 0" stroke={shade(colour, -0.25)} strokeWidth="2" fill="none" />
    </>
  ),
};
