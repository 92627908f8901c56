import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { WayOut } from '@usual-pantry/core/finding';
import { afterWayOut, changesOrder, type OrderAction } from '@usual-pantry/core/order';
import { lackingFor } from '@usual-pantry/core/shopping';
import { lazy, Suspense, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import type { MadeFormProps } from '../batches/MadeForm';
import { bookApi } from '../data/book';
import { said } from '../data/notices';
import { orderApi } from '../data/orders';
import { useAppDispatch } from '../data/store';
import { useBatches } from '../data/useBatches';
import { useEdit } from '../data/useEdit';
import { usePlanEdit } from '../data/usePlanEdit';
import { useSeasonBook } from '../data/useSeason';
import { addressOf } from '../parts/addresses';

const MadeForm = lazy(() => import('../batches/MadeForm'));

type SayMade = Extract<WayOut['action'], { kind: 'say-made' }>;

/** Presses a way out: opens what it names, or changes the order, the plan or the kitchen. */
function useWayOut(onMade: (action: SayMade, yieldGrams: number) => void) {
  const { season } = useSeasonBook();
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const edit = useEdit();
  const { move, startPlan } = usePlanEdit();
  const { made, refuse } = useBatches();
  return async ({ action }: WayOut) => {
    if (action.kind === 'open') {
      await navigate(addressOf(action.subject));
      return;
    }
    if (action.kind === 'give-prices') {
      await navigate('/pantry/prices');
      return;
    }
    if (action.kind === 'copy') {
      await navigator.clipboard.writeText(action.text);
      dispatch(said({ text: 'The message is on the clipboard.' }));
      return;
    }
    if (action.kind === 'plan-again') {
      await navigate('/plan');
      await startPlan();
      return;
    }
    if (action.kind === 'move-run') {
      await move(action.recipeId, action.from, action.to);
      return;
    }
    if (action.kind === 'say-made') {
      const facts = season?.book.recipes.get(action.recipeId);
      const all = action.batches.flatMap(({ size, count }) =>
        Array.from({ length: count }, () => ({ size, on: action.on })),
      );
      // Where something came from that was never on hand must be asked first.
      if (season && facts && lackingFor(all, facts, season.book.ingredients).length > 0)
        onMade(action, facts.yieldGrams);
      else await made({ ...action, state: 'done', grams: null, opened: [], elsewhere: [] }).catch(refuse);
      return;
    }
    if (action.kind === 'overtime') {
      const kitchen = (await dispatch(bookApi.endpoints.book.initiate(undefined, { subscribe: false })).unwrap())
        .kitchen;
      const label = `A day can run over by ${String(action.minutes)} minutes now.`;
      const changed = { ...kitchen, overtimeMinutes: action.minutes };
      await dispatch(bookApi.endpoints.saveKitchen.initiate({ kitchen: changed, label })).unwrap();
      await navigate('/plan');
      await startPlan();
      return;
    }
    const order = await dispatch(
      orderApi.endpoints.order.initiate(action.orderId, { forceRefetch: true, subscribe: false }),
    ).unwrap();
    const { id: _id, version: _version, ...draft } = order;
    await edit.change('order', order, afterWayOut(draft, action), `${order.customer.name}’s order changed.`);
  };
}

export interface WaysOutProps {
  readonly waysOut: readonly WayOut[];
  /** Changes an order that is not stored yet; without it the stored one is changed. */
  readonly onOrder?: ((action: OrderAction) => void) | undefined;
}

/** Ways out as buttons; each does what it says. */
export function WaysOut({ waysOut, onOrder }: WaysOutProps) {
  const [asking, setAsking] = useState<Omit<MadeFormProps, 'onClose'> | null>(null);
  const anchor = useRef<HTMLDivElement>(null);
  const today = useSeasonBook().season?.data.today ?? '';
  const pressed = useWayOut(({ recipeId, recipeName, on, batches }, yieldGrams) => {
    if (anchor.current)
      setAsking({ run: { recipeId, recipeName, day: on, batches }, yieldGrams, today, anchor: anchor.current });
  });
  const press = async (way: WayOut) => {
    if (onOrder && changesOrder(way.action)) onOrder(way.action);
    else await pressed(way);
  };
  return (
    <Box ref={anchor} sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      {waysOut.map((way, index) => (
        <Button
          key={way.label}
          size="small"
          variant={index === 0 ? 'contained' : 'text'}
          onClick={() => void press(way)}
        >
          {way.label}
        </Button>
      ))}
      {asking && (
        <Suspense>
          <MadeForm
            {...asking}
            onClose={() => {
              setAsking(null);
            }}
          />
        </Suspense>
      )}
    </Box>
  );
}
