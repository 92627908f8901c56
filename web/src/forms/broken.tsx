import { NumberInput } from '../parts/fields';
import { Finish } from './Finish';
import { shade } from './shade';
import type { FormView } from './view';

export const broken: FormView = {
  namesRecipe: true,
  Fields: ({ season, path }) => (
    <>
      <NumberInput name={`${path}.servingGrams`} label="Serving" unit="g" />
      <NumberInput name={`${path}.crumbsPercent`} label="Crumbs" unit="%" />
      <Finish season={season} path={path} />
    </>
  ),
  draw: (colour) => (
    <>
      <path
        d="M9 14 24 5l16 8 3 17-9 13-19 2L5 28z"
        fill={colour}
        stroke={shade(colour, -0.35)}
        strokeWidth="2"
        strokeLinejoin="round"
      />
      <g fill={shade(colour, 0.45)}>
        <circle cx="19" cy="17" r="1.8" />
        <circle cx="29" cy="22" r="1.8" />
        <circle cx="17" cy="30" r="1.8" />
        <circle cx="28" cy="34" r="1.8" />
      </g>
    </>
  ),
};
