import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { skipToken } from '@reduxjs/toolkit/query';
import type { OrderDraft } from '@usual-pantry/core/order';
import { sayDay } from '@usual-pantry/core/quantity';
import { useFormContext } from 'react-hook-form';
import { usePromiseQuery } from '../app/api';
import { useSettled } from '../parts/useSettled';

const SETTLES_MS = 250;
const looks = { feasible: 'success', tight: 'warning', 'not feasible': 'error' } as const;

/** Whether the order as it is typed can be promised for its day; if not, why, and the earliest day. */
export function PromiseLine({ draft, id }: { draft: OrderDraft; id: string | undefined }) {
  const { setValue } = useFormContext();
  const { customer: _customer, notes: _notes, depositMinor: _deposit, ...asked } = draft;
  const question = useSettled<string | null>(
    JSON.stringify({ ...asked, customer: { name: 'asked' }, ...(id === undefined ? {} : { id }) }),
    SETTLES_MS,
    null,
  );
  const { data } = usePromiseQuery(
    question === null ? skipToken : (JSON.parse(question) as OrderDraft & { id?: string }),
  );
  if (!data) return null;
  const { verdict, why, earliest } = data;
  const day = sayDay(draft.handOver.on);
  const words = {
    feasible: `It can be promised for ${day}.`,
    tight: `It can be promised for ${day}, tightly.`,
    'not feasible': `It cannot be promised for ${day}.`,
  }[verdict];
  return (
    <Alert
      severity={looks[verdict]}
      data-testid="promise"
      sx={{ mb: 1.5 }}
      action={
        verdict === 'not feasible' && earliest !== null ? (
          <Button
            color="inherit"
            size="small"
            onClick={() => {
              setValue('handOver.on', earliest, { shouldDirty: true, shouldValidate: true });
            }}
          >
            Take {sayDay(earliest)}
          </Button>
        ) : undefined
      }
    >
      {[words, ...why].join(' ')}
      {verdict === 'not feasible' && earliest === null && ' No day of the next five weeks is free for it.'}
    </Alert>
  );
}
