import Button from '@mui/material/Button';
import { lazy, Suspense, useState } from 'react';
import type { MadeFormProps } from './MadeForm';

/** With all that a form needs: loaded when it is opened, so that it does not hold the first screen up. */
const MadeForm = lazy(() => import('./MadeForm'));

/** A button that opens what is said of a run. */
export function MadeButton({ run, yieldGrams, today }: Omit<MadeFormProps, 'anchor' | 'onClose'>) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button
        size="small"
        aria-label={`${run.recipeName} was made`}
        onClick={({ currentTarget }) => {
          setAnchor(currentTarget);
        }}
        sx={{ displayPrint: 'none' }}
      >
        Made
      </Button>
      {anchor && (
        <Suspense>
          <MadeForm
            run={run}
            yieldGrams={yieldGrams}
            today={today}
            anchor={anchor}
            onClose={() => {
              setAnchor(null);
            }}
          />
        </Suspense>
      )}
    </>
  );
}
