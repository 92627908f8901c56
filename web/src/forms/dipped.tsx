import { DippedFields } from './DippedFields';
import { shade } from './shade';
import type { FormView } from './view';

export const dipped: FormView = {
  namesRecipe: false,
  Fields: ({ season }) => <DippedFields season={season} />,
  draw: (colour) => (
    <>
      <ellipse cx="24" cy="39" rx="21" ry="5.5" fill={shade(colour, -0.35)} />
      <circle cx="24" cy="23" r="18" fill={colour} stroke={shade(colour, -0.35)} strokeWidth="1.5" />
      <path d="M12 20c2-5 6-8 11-8" stroke={shade(colour, 0.4)} strokeWidth="3" fill="none" strokeLinecap="round" />
    </>
  ),
};
