import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import { skipToken } from '@reduxjs/toolkit/query';
import type { OrderDraft } from '@usual-pantry/core/order';
import type { PromiseCheck } from '@usual-pantry/core/plan';
import { sayDay, type Day } from '@usual-pantry/core/quantity';
import { usePromiseQuery } from '../app/api';
import { useSettled } from '../parts/useSettled';

const SETTLES_MS = 250;

/** The verdict in words, and how grave it is; never green above something that is to be settled. */
function verdictOf({ verdict, toSettle }: PromiseCheck, on: Day) {
  const day = sayDay(on);
  if (verdict === 'not feasible') return { severity: 'error', words: `It cannot be promised for ${day}.` } as const;
  if (toSettle.length > 0)
    return { severity: 'warning', words: `There is time for ${day}, but it is not to be promised as it is:` } as const;
  return verdict === 'tight'
    ? ({ severity: 'warning', words: `It can be promised for ${day}, tightly.` } as const)
    : ({ severity: 'success', words: `It can be promised for ${day}.` } as const);
}

interface PromiseProps {
  readonly draft: OrderDraft;
  readonly id: string | undefined;
  /** Takes another day. */
  readonly onDay: (day: Day) => void;
}

/** Whether the order as it is typed can be promised for its day; if not, why, and the earliest day. */
export function PromiseLine({ draft, id, onDay }: PromiseProps) {
  const { customer: _customer, notes: _notes, depositMinor: _deposit, words: _words, ...asked } = draft;
  const question = useSettled<string | null>(
    JSON.stringify({ ...asked, customer: { name: 'asked' }, ...(id === undefined ? {} : { id }) }),
    SETTLES_MS,
    null,
  );
  const { data } = usePromiseQuery(
    question === null ? skipToken : (JSON.parse(question) as OrderDraft & { id?: string }),
  );
  if (!data) return null;
  const { verdict, why, toSettle, earliest } = data;
  const { severity, words } = verdictOf(data, draft.handOver.on);
  return (
    <Alert
      severity={severity}
      data-testid="promise"
      sx={{ mb: 1.5 }}
      action={
        verdict === 'not feasible' && earliest !== null ? (
          <Button
            color="inherit"
            size="small"
            onClick={() => {
              onDay(earliest);
            }}
          >
            Take {sayDay(earliest)}
          </Button>
        ) : undefined
      }
    >
      {[words, ...why, ...toSettle].join(' ')}
      {verdict === 'not feasible' && earliest === null && ' No day of the next five weeks is free for it.'}
    </Alert>
  );
}
