import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { usePlanQuery } from '../data/plan';
import { sayRefusal, type Refusal } from '../parts/refusal';

/** Gives what questions over the plan rest on, another after each change of the plan and each new try. */
export function usePlanGround(): { readonly ground: object; readonly again: () => void } {
  const { data: plan } = usePlanQuery();
  const [tries, setTries] = useState(0);
  const ground = useMemo(() => ({ plan, tries }), [plan, tries]);
  return {
    ground,
    again: () => {
      setTries(tries + 1);
    },
  };
}

/** Says why a question over the plan was not answered, and asks it once more. */
export const TryAgain = ({ error, again }: { error: unknown; again: () => void }) => (
  <>
    {sayRefusal(error as Refusal)} <Button onClick={again}>Try again</Button>
  </>
);
