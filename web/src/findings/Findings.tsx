import { mdiAlertOctagonOutline, mdiHelpRhombusOutline, mdiInformationOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import type { Finding, Noun, Severity, WayOut } from '@usual-pantry/core/finding';
import { afterWayOut, changesOrder, type OrderAction } from '@usual-pantry/core/order';
import { lackingFor } from '@usual-pantry/core/shopping';
import { lazy, memo, Suspense, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { said } from '../data/notices';
import { Icon } from '../parts/Icon';
import { useAppDispatch } from '../data/store';
import { addressOf } from '../parts/addresses';
import { useBatches } from '../data/useBatches';
import { useEdit } from '../data/useEdit';
import { usePlanEdit } from '../data/usePlanEdit';
import { useSeasonBook } from '../data/useSeason';
import type { MadeFormProps } from '../batches/MadeForm';
import { bookApi } from '../data/book';
import { orderApi } from '../data/orders';
import { useFindingsQuery } from '../data/plan';

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
          <Icon path={icon} sx={{ typography: 'large', color: colour }} />
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

interface FindingsProps extends Pick<WaysOutProps, 'onOrder'> {
  readonly findings: readonly Finding[];
  /** How many there are, where not all are at hand. */
  readonly total: number;
  /** Shows more of them, or fewer again. */
  readonly onMore: (() => void) | null;
  readonly isWhole: boolean;
}

function FindingList({ findings, total, onMore, isWhole, onOrder }: FindingsProps) {
  if (findings.length === 0) return null;
  return (
    <Box component="section" aria-label="Findings" sx={{ mb: 2.5 }}>
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
        {findings.map((each) => (
          <FindingCard key={each.key} finding={each} onOrder={onOrder} />
        ))}
      </Box>
      {onMore && (
        <Button size="small" sx={{ mt: 1 }} onClick={onMore}>
          {isWhole ? 'Show fewer' : `Show all ${String(total)}`}
        </Button>
      )}
    </Box>
  );
}

/** On a phone they stand below each other: half of them fill as much. */
function useMost(atFirst: number): number {
  const narrow = useMediaQuery(useTheme().breakpoints.down('sm'));
  return narrow ? Math.ceil(atFirst / 2) : atFirst;
}

/** What must be decided, each with its ways out. The gravest first; a long list opens. */
export function Findings({
  findings,
  atFirst = SHOWN,
  onOrder,
}: Pick<FindingsProps, 'findings' | 'onOrder'> & { atFirst?: number }) {
  const [isWhole, setWhole] = useState(false);
  const most = useMost(atFirst);
  const more = () => {
    setWhole(!isWhole);
  };
  return (
    <FindingList
      findings={isWhole ? findings : findings.slice(0, most)}
      total={findings.length}
      onMore={findings.length > most ? more : null}
      isWhole={isWhole}
      onOrder={onOrder}
    />
  );
}

/** More are asked for in parts of so many. */
const PART = 100;

/** The findings of the plan, as many of them as are shown. @param about what they are about; everything without */
export function PlanFindings({ about, atFirst = SHOWN }: { about?: readonly Noun[]; atFirst?: number }) {
  const most = useMost(atFirst);
  const [shown, setShown] = useState(0);
  const { data } = useFindingsQuery({ size: Math.max(most, shown), ...(about ? { about } : {}) });
  const total = data?.total ?? 0;
  const isWhole = shown >= total;
  const more = () => {
    setShown(isWhole ? 0 : shown + PART);
  };
  return (
    <FindingList
      findings={data?.items ?? []}
      total={total}
      onMore={total > most ? more : null}
      isWhole={total > most && isWhole}
    />
  );
}
