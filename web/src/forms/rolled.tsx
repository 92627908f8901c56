import { NumberInput } from '../parts/fields';
import { Finish } from './Finish';
import { shade } from './shade';
import type { FormView } from './view';

export const rolled: FormView = {
  namesRecipe: true,
  Fields: ({ season, path }) => (
    <>
      <NumberInput name={`${path}.centreGrams`} label="Centre" unit="g" />
      <Finish season={season} path={path} how="Rolled in" />
    </>
  ),
  draw: (colour) => (
    <>
      <circle
        cx="24"
        cy="24"
        r="18"
        fill={colour}
        stroke={shade(colour, -0.3)}
        strokeWidth="2"
        strokeDasharray="2 2.5"
      />
      <path d="M13 20c2-5 6-8 11-8" stroke={shade(colour, 0.35)} strokeWidth="3" fill="none" strokeLinecap="round" />
    </>
  ),
};
