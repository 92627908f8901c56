import { MouldFields } from './MouldFields';
import { shade } from './shade';
import type { FormView } from './view';

export const moulded: FormView = {
  namesRecipe: false,
  Fields: ({ season }) => <MouldFields season={season} />,
  draw: (colour) => (
    <>
      <path d="M4 37a20 24 0 0 1 40 0z" fill={colour} stroke={shade(colour, -0.35)} strokeWidth="1.5" />
      <rect x="3" y="36" width="42" height="6" rx="2" fill={shade(colour, -0.35)} />
      <path d="M11 30c2-7 6-11 12-12" stroke={shade(colour, 0.45)} strokeWidth="3" fill="none" strokeLinecap="round" />
    </>
  ),
};
