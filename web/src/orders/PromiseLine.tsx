import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import type { OrderDraft } from '@usual-pantry/core/order';
import type { PromiseCheck } from '@usual-pantry/core/promise';
import { sayDay, type Day } from '@usual-pantry/core/quantity';
import { WorkingOut } from '../parts/WorkingOut';
import { usePromise } from './usePromise';

/** The verdict in words, and how grave it is; never green above something that is to be decided. */
function verdictOf({ verdict, toDecide }: PromiseCheck, on: Day) {
  const day = sayDay(on);
  if (verdict === 'not feasible') return { severity: 'error', words: `It cannot be promised for ${day}.` } as const;
  if (verdict === 'probably')
    return {
      severity: 'warning',
      words:
        toDecide.length > 0
          ? `There’s probably enough time for ${day}, but don’t promise it yet:`
          : `You can probably promise it for ${day}: there’s enough time, but the plan has to change.`,
    } as const;
  if (verdict === 'not known' && toDecide.length > 0)
    return {
      severity: 'warning',
      words: `It is not known whether there is time for ${day}, and it is not to be promised as it is:`,
    } as const;
  if (verdict === 'not known')
    return { severity: 'warning', words: `It is not known whether it can be promised for ${day}.` } as const;
  if (toDecide.length > 0)
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
  const promise = usePromise(draft, id);
  const { on } = draft.handOver;
  if (promise.state === 'none') return null;
  if (promise.state === 'asking')
    return (
      <Alert severity="info" data-testid="promise" sx={{ mb: 1.5 }} icon={false}>
        <WorkingOut>Looking for room on {sayDay(on)} and after…</WorkingOut>
      </Alert>
    );
  if (promise.state === 'failed')
    return (
      <Alert severity="warning" data-testid="promise" sx={{ mb: 1.5 }}>
        Whether it can be promised was not worked out.
      </Alert>
    );
  const { verdict, why, toDecide, earliest } = promise.check;
  const { severity, words } = verdictOf(promise.check, on);
  const later = verdict === 'feasible' || verdict === 'tight' ? null : earliest;
  return (
    <Alert severity={severity} data-testid="promise" sx={{ mb: 1.5 }}>
      {[words, ...toDecide, ...why].join(' ')}
      {!promise.isOver && <WorkingOut>Looking for another plan…</WorkingOut>}
      {promise.isOver &&
        verdict === 'not feasible' &&
        later === null &&
        ' No day was found for it in the next five weeks.'}
      {later !== null && (
        <div>
          <Button
            color="inherit"
            size="small"
            variant="outlined"
            sx={{ mt: 1 }}
            onClick={() => {
              onDay(later);
            }}
          >
            Take {sayDay(later)}
          </Button>
        </div>
      )}
    </Alert>
  );
}
