import { mdiAlertOctagonOutline, mdiHelpRhombusOutline, mdiInformationOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import type { Finding, Severity, WayOut } from '@usual-pantry/core/finding';
import { afterWayOut, changesOrder, type OrderAction } from '@usual-pantry/core/order';
import { lackingFor } from '@usual-pantry/core/shopping';
import { lazy, memo, Suspense, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../app/api';
import { said } from '../app/history';
import { Icon } from '../app/Icon';
import { useAppDispatch } from '../app/store';
import { addressOf } from './addresses';
import { useBatches } from './useBatches';
import { useEdit } from './useEdit';
import { usePlanEdit } from './usePlanEdit';
import { useSeasonBook } from './useSeason';
import type { MadeFormProps } from '../batches/MadeForm';

const MadeForm = lazy(() => import('../batches/MadeForm'));

type SayMade = Extract<WayOut['action'], { kind: 'say-made' }>;

const looks: Record<Severity, { word: string; colour: string; icon: string }> = {
  stop: { word: 'Stop', colour: 'error.main', icon: mdiAlertOctagonOutline },
  decide: { word: 'To decide', colour: 'warning.light', icon: mdiHelpRhombusOutline },
  know: { word: 'Good to know', colour: 'primary.main', icon: mdiInformationOutline },
};

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
      const kitchen = (await dispatch(api.endpoints.book.initiate(undefined, { subscribe: false })).unwrap()).kitchen;
      await dispatch(api.endpoints.saveKitchen.initiate({ ...kitchen, overtimeMinutes: action.minutes })).unwrap();
      dispatch(said({ text: `A day can run over by ${String(action.minutes)} minutes now.` }));
      await navigate('/plan');
      await startPlan();
      return;
    }
    const order = await dispatch(
      api.endpoints.order.initiate(action.orderId, { forceRefetch: true, subscribe: false }),
    ).unwrap();
    const { id: _id, version: _version, ...draft } = order;
    await edit.change('order', order, afterWayOut(draft, action), `${order.customer.name}’s order changed.`);
  };
}

interface WaysOutProps {
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
          variant={index === 0 ? 'contained' : 'outlined'}
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

const FindingCard = memo(function FindingCard({
  finding,
  onOrder,
}: { finding: Finding } & Pick<WaysOutProps, 'onOrder'>) {
  const { word, colour, icon } = looks[finding.severity];
  return (
    <Paper
      variant="outlined"
      component="li"
      sx={{ display: 'flex', borderLeft: 7, borderLeftColor: colour, p: 1.5, pl: 1.75 }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Box
          sx={{
            display: 'flex',
            gap: 0.75,
            alignItems: 'center',
            color: 'text.secondary',
            mb: 0.25,
          }}
        >
          <Icon path={icon} sx={{ fontSize: 18, color: colour }} />
          <Typography variant="caption" sx={{ fontWeight: 650 }}>
            {word}
          </Typography>
        </Box>
        <Typography sx={{ mb: 1 }}>{finding.message}</Typography>
        <WaysOut waysOut={finding.waysOut} onOrder={onOrder} />
      </Box>
    </Paper>
  );
});

const SHOWN = 4;

/** What must be settled, each with its ways out. The gravest first; a long list opens. */
export function Findings({
  findings,
  atFirst = SHOWN,
  onOrder,
}: { findings: readonly Finding[]; atFirst?: number } & Pick<WaysOutProps, 'onOrder'>) {
  const [all, setAll] = useState(false);
  const narrow = useMediaQuery(useTheme().breakpoints.down('sm'));
  if (findings.length === 0) return null;
  // On a phone they stand below each other: half of them fill as much.
  const most = narrow ? Math.ceil(atFirst / 2) : atFirst;
  const shown = all ? findings : findings.slice(0, most);
  return (
    <Box component="section" aria-label="To settle" sx={{ mb: 2.5 }}>
      <Box
        component="ul"
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          display: 'grid',
          gap: 1.25,
          gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 400px), 1fr))',
        }}
      >
        {shown.map((each) => (
          <FindingCard key={each.key} finding={each} onOrder={onOrder} />
        ))}
      </Box>
      {findings.length > most && (
        <Button
          size="small"
          sx={{ mt: 1 }}
          onClick={() => {
            setAll(!all);
          }}
        >
          {all ? 'Show fewer' : `Show all ${String(findings.length)}`}
        </Button>
      )}
    </Box>
  );
}
