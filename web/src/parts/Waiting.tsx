import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Skeleton from '@mui/material/Skeleton';
import type { Refusal } from './refusal';

/** What stands on a screen until its figures are there, or when they cannot be had. */
export function Waiting({ error, again }: { error: unknown; again: () => unknown }) {
  if (!error)
    return (
      <div role="status" aria-label="Loading">
        <Skeleton height={44} width="70%" />
        <Skeleton height={120} variant="rounded" sx={{ my: 2 }} />
        <Skeleton height={220} variant="rounded" />
      </div>
    );
  return (
    <Alert
      severity="error"
      action={
        <Button color="inherit" onClick={() => void again()}>
          Try again
        </Button>
      }
    >
      {(error as Refusal).message}
    </Alert>
  );
}
