import Button from '@mui/material/Button';
import type { Day } from '@usual-pantry/core/quantity';
import { useStartBatch } from '../data/useStartBatch';

interface BeginButtonProps {
  readonly recipeId: string;
  readonly name: string;
  /** Multiple of the base batch. */
  readonly size: number;
  readonly on: Day;
}

/** Takes a batch to the bench. */
export function BeginButton({ recipeId, name, size, on }: BeginButtonProps) {
  const { begin, isStarting } = useStartBatch();
  return (
    <Button
      size="small"
      aria-label={`Make ${name} at the bench`}
      disabled={isStarting}
      onClick={() => void begin(recipeId, size, on)}
      sx={{ displayPrint: 'none' }}
    >
      Make
    </Button>
  );
}
