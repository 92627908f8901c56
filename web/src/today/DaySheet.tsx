import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { Making, SeasonDay } from '@usual-pantry/core/plan';
import { addDays, sayCount, sayGrams, sayMinutes, sayShortDay } from '@usual-pantry/core/quantity';
import type { ReactNode } from 'react';
import { Link as RouterLink } from 'react-router';
import type { PlanAnswer } from '../app/api';
import { FIGURES } from '../app/theme';
import { sayPacked } from '../orders/words';
import { labelAddress } from '../parts/addresses';
import { Panel } from '../parts/Panel';
import { Tape } from '../parts/Tape';
import { sayBatches } from '@usual-pantry/core/recipe';

/** Whether there is anything to make, pack or hand over on a day. */
export const hasWork = ({ makings, packs, handOvers }: SeasonDay): boolean =>
  makings.length + packs.length + handOvers.length > 0;

function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box sx={{ mt: 1.5 }}>
      <Typography variant="h3" sx={{ mb: 0.75 }}>
        {title}
      </Typography>
      <Box sx={{ display: 'grid', gap: 0.75 }}>{children}</Box>
    </Box>
  );
}

const MakingTape = ({ making }: { making: Making }) => (
  <Tape
    to={`/recipes/${making.recipeId}`}
    name={making.recipeName}
    code={`${sayBatches(making.batches)} · ${sayGrams(making.yieldGrams)} · ${sayMinutes(making.handsMinutes)}`}
  />
);

/** The pieces that are finished on a day, each kind once. */
function finishesOf(plan: PlanAnswer, day: string) {
  const sums = new Map<string, { name: string; count: number; minutes: number }>();
  for (const { pieceId, pieceName, count, handsMinutes, day: on } of plan.finishings) {
    if (on !== day) continue;
    const before = sums.get(pieceId);
    sums.set(pieceId, {
      name: pieceName,
      count: (before?.count ?? 0) + count,
      minutes: (before?.minutes ?? 0) + handsMinutes,
    });
  }
  return [...sums];
}

/** One day in order: make, finish, pack, hand over. */
export function DaySheet({ entry, plan, title }: { entry: SeasonDay; plan: PlanAnswer; title: string }) {
  const makings = plan.makings.filter((making) => making.day === entry.day);
  const finishes = finishesOf(plan, entry.day);
  const nothing = !hasWork(entry) && finishes.length === 0;
  const aside =
    entry.benchMinutes > 0 ? `${sayMinutes(entry.bookedMinutes)} of ${sayMinutes(entry.benchMinutes)}` : 'no bench day';
  return (
    <Panel title={title} aside={<Box sx={{ fontFamily: FIGURES, fontSize: 13.5 }}>{aside}</Box>}>
      {nothing && <Typography sx={{ color: 'text.secondary' }}>Nothing to make, pack or hand over.</Typography>}
      {makings.length > 0 && (
        <Section title="Make">
          {makings.map((making) => (
            <MakingTape key={making.recipeId} making={making} />
          ))}
        </Section>
      )}
      {finishes.length > 0 && (
        <Section title="Cut, roll and dip">
          {finishes.map(([pieceId, { name, count, minutes }]) => (
            <Tape
              key={pieceId}
              to={`/pieces/${pieceId}`}
              name={name}
              code={`${sayCount(count, 'piece')} · ${sayMinutes(minutes)}`}
            />
          ))}
        </Section>
      )}
      {entry.packs.length > 0 && (
        <Section title="Pack">
          {entry.packs.map((pack) => (
            <Tape
              key={labelAddress(pack.boxId, pack.handOver, pack)}
              tone="pack"
              to={labelAddress(pack.boxId, pack.handOver, pack)}
              name={sayPacked(`${String(pack.count)} × ${pack.boxName}`, pack)}
              code={`for ${sayShortDay(pack.handOver)}`}
            />
          ))}
        </Section>
      )}
      {entry.handOvers.length > 0 && (
        <Section title="Hand over">
          {entry.handOvers.map((order) => (
            <Box key={order.orderId} sx={{ display: 'flex', justifyContent: 'space-between', gap: 1 }}>
              <Link component={RouterLink} to={`/orders/${order.orderId}`}>
                {order.customer}
              </Link>
              <span>
                {sayCount(order.boxes, 'box', 'boxes')}, {order.way}
                {order.place ? `, ${order.place}` : ''}
              </span>
            </Box>
          ))}
        </Section>
      )}
    </Panel>
  );
}

const WEEK = 7;

/** The next seven days, a line each. */
export function ComingDays({ plan }: { plan: PlanAnswer }) {
  const last = addDays(plan.today, WEEK);
  const days = plan.days.filter((entry) => entry.day > plan.today && entry.day <= last && hasWork(entry));
  return (
    <Panel title="The next seven days">
      {days.length === 0 && <Typography sx={{ color: 'text.secondary' }}>No work in them.</Typography>}
      {days.map((entry) => {
        const boxes = entry.packs.reduce((sum, pack) => sum + pack.count, 0);
        const parts = [
          ...new Set(entry.makings),
          ...(boxes > 0 ? [`pack ${sayCount(boxes, 'box', 'boxes')}`] : []),
          ...(entry.handOvers.length > 0 ? [`hand over ${sayCount(entry.handOvers.length, 'order')}`] : []),
        ];
        return (
          <Box
            key={entry.day}
            sx={{
              display: 'grid',
              gridTemplateColumns: '92px 1fr',
              gap: 1,
              py: 0.75,
              borderTop: 1,
              borderColor: 'divider',
            }}
          >
            <Link component={RouterLink} to={`/?day=${entry.day}`} sx={{ fontWeight: 650, whiteSpace: 'nowrap' }}>
              {sayShortDay(entry.day)}
            </Link>
            <span>{parts.join(', ')}</span>
          </Box>
        );
      })}
    </Panel>
  );
}

/** What must be in the pantry by tomorrow, or by the first day on which something is used. */
export function ToBuy({ plan }: { plan: PlanAnswer }) {
  const missing = plan.shopping.filter((line) => line.packs.length > 0);
  const first = missing.reduce((day, line) => (line.buyBy < day ? line.buyBy : day), missing[0]?.buyBy ?? '');
  const due = missing.filter((line) => line.buyBy <= first);
  if (due.length === 0) return null;
  return (
    <Panel
      title={`Buy by ${sayShortDay(first)}`}
      aside={
        <Button component={RouterLink} to="/plan/shopping" size="small">
          Whole list
        </Button>
      }
    >
      {due.map((line) => (
        <Box key={line.key} sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, py: 0.5 }}>
          <span>{line.name}</span>
          <span>{line.packs.map((pack) => `${String(pack.count)} × ${pack.name}`).join(' + ')}</span>
        </Box>
      ))}
    </Panel>
  );
}
