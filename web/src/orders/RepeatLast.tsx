import { mdiHistory } from '@mdi/js';
import Button from '@mui/material/Button';
import type { OrderDraft } from '@usual-pantry/core/order';
import { useFormContext, useWatch } from 'react-hook-form';
import { Icon } from '../parts/Icon';
import { useDebounce } from 'use-debounce';
import type { SeasonBook } from '../data/useSeason';
import { useOrdersQuery } from '../data/orders';

const PAUSE_MS = 250;
/** Shorter names are not looked for. */
const LEAST_LETTERS = 3;

/** Offers the boxes, exclusions and hand-over of a customer's last order for a new one. */
export function RepeatLast({ season }: { season: SeasonBook }) {
  const { getValues, setValue } = useFormContext<OrderDraft>();
  const [name] = useDebounce(useWatch<OrderDraft, 'customer.name'>({ name: 'customer.name' }).trim(), PAUSE_MS);
  const { data } = useOrdersQuery(
    { page: 1, size: 5, sort: 'handOverOn', direction: 'desc', search: name, show: 'all' },
    { skip: name.length < LEAST_LETTERS },
  );
  const last = data?.items.find((order) => order.customer.name.toLowerCase() === name.toLowerCase());
  if (!last || name.length < LEAST_LETTERS) return null;
  const boxes = last.lines
    .map(({ boxId, count }) => `${count} × ${season.book.boxes.get(boxId)?.box.name ?? boxId}`)
    .join(', ');
  return (
    <div>
      <Button
        size="small"
        startIcon={<Icon path={mdiHistory} />}
        onClick={() => {
          const changed = { shouldDirty: true, shouldValidate: true };
          setValue('lines', last.lines, changed);
          // What was typed now is never lost under what was asked for then.
          setValue('exclusions', [...new Set([...getValues('exclusions'), ...last.exclusions])], changed);
          setValue('customer.contact', last.customer.contact, changed);
          setValue('handOver.way', last.handOver.way, changed);
          setValue('handOver.place', last.handOver.place, changed);
        }}
      >
        As last time: {boxes}
      </Button>
    </div>
  );
}
