import { mdiCheck, mdiClose } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import type { MadeRun } from '@usual-pantry/core/plan';
import { sayCount, sayGrams, sayShortDay } from '@usual-pantry/core/quantity';
import { sayBatches } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { Icon } from '../parts/Icon';
import { readNumber } from '../parts/readNumber';
import { useBatches } from '../data/useBatches';
import { useAttempt } from '../parts/useAttempt';

/** What was made and what came of it, in words. */
export function sayMade({ batches, batchCount, tried, yieldGrams, finishedOn }: MadeRun): string {
  const failed = tried.reduce((sum, { count }) => sum + count, 0) - batchCount;
  return [
    ...(batchCount > 0 ? [`${sayBatches(batches)}, ${sayGrams(yieldGrams)}`] : []),
    ...(failed > 0 ? [`${sayCount(failed, 'batch', 'batches')} failed`] : []),
    ...(finishedOn === null ? [] : [`finished ${sayShortDay(finishedOn)}`]),
  ].join('; ');
}

/** The sign of what is made, or that nothing came of it. */
export const MadeSign = ({ made }: { made: MadeRun }) => (
  <Icon
    path={made.batchCount > 0 ? mdiCheck : mdiClose}
    sx={{ typography: 'large', color: made.batchCount > 0 ? 'success.main' : 'error.main' }}
  />
);

/** Mends what was said of batches: what they weighed, or that they were not made after all. */
export function MendMade({ made }: { made: MadeRun }) {
  const { weighed, takenBack } = useBatches();
  const [typed, setTyped] = useState<string | null>(null);
  const { trouble, setTrouble, attempt } = useAttempt();
  const name = `${made.recipeName} of ${sayShortDay(made.day)}`;
  if (typed === null)
    return (
      <Box sx={{ displayPrint: 'none' }}>
        {made.batchCount > 0 && (
          <Button
            size="small"
            aria-label={`Weigh ${name}`}
            onClick={() => {
              setTyped(String(Math.round(made.yieldGrams * 10) / 10));
            }}
          >
            Weigh
          </Button>
        )}
        <Button size="small" aria-label={`Take ${name} back`} onClick={() => void takenBack(made)}>
          Take back
        </Button>
      </Box>
    );
  const save = async () => {
    const grams = readNumber(typed);
    if (!(grams >= 0)) {
      setTrouble('must be a number');
      return;
    }
    await attempt(async () => {
      await weighed(made, grams);
      setTyped(null);
    });
  };
  return (
    <Box
      component="form"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
      sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}
    >
      <TextField
        size="small"
        autoFocus
        label="Came out, g"
        value={typed}
        error={trouble !== null}
        helperText={trouble}
        onChange={({ target }) => {
          setTyped(target.value);
        }}
        sx={{ width: 130, bgcolor: 'background.paper' }}
      />
      <Button size="small" type="submit" variant="contained">
        Keep
      </Button>
    </Box>
  );
}

/** Batches that were made on a day, in one line. */
export const MadeLine = ({ made }: { made: MadeRun }) => (
  <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
    <MadeSign made={made} />
    <Box component="span" sx={{ fontWeight: 650 }}>
      {made.recipeName}
    </Box>
    <Box component="span" sx={{ typography: 'figures' }}>
      {sayMade(made)}
    </Box>
    <Box sx={{ ml: 'auto' }}>
      <MendMade made={made} />
    </Box>
  </Box>
);
