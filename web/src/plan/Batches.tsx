import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import type { PlanRuns, PlanSummary } from '@usual-pantry/core/api';
import { leftOverUse, whyLeftOver, whyThen, type ProductionRun } from '@usual-pantry/core/plan';
import { sayCount, sayGrams, sayList, sayMinutes, sayNumber, sayShortDay } from '@usual-pantry/core/quantity';
import { sayBatches, yieldRecord } from '@usual-pantry/core/recipe';
import { groupBy } from '@usual-pantry/core/record';
import { Link as RouterLink, useSearchParams } from 'react-router';
import { MadeSign, MendMade, sayMade } from '../batches/MadeLine';
import { usePlanEdit } from '../data/usePlanEdit';
import { usePlanRunsQuery } from '../data/plan';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { asCards } from '../parts/asCards';
import { Waiting } from '../parts/Waiting';
import { Worked } from '../parts/Worked';
import { Offers } from './Offers';

const small = { typography: 'fine', color: 'text.secondary' } as const;
const figures = { typography: 'figures', whiteSpace: 'nowrap' } as const;

/** A day of a recipe: the pin, the day, its batches and the reason. */
const dayGrid = {
  display: 'grid',
  gridTemplateColumns: '38px 92px 1fr',
  alignItems: 'start',
  columnGap: 0.5,
} as const;

const sum = (runs: readonly ProductionRun[], of: (run: ProductionRun) => number): number =>
  runs.reduce((all, run) => all + of(run), 0);

/** What runs are for, in words; each kind of piece once. */
function sayUses(runs: readonly ProductionRun[]): string {
  const sums = new Map<string, { name: string; pieces: number; role: string }>();
  for (const { id, name, pieces, role } of runs.flatMap(({ pegs }) => pegs)) {
    const key = `${id} ${role}`;
    sums.set(key, { name, role, pieces: (sums.get(key)?.pieces ?? 0) + pieces });
  }
  return [...sums.values()]
    .map(({ name, pieces, role }) =>
      pieces > 0 ? `${sayCount(pieces, 'piece')} of ${name}${role === 'body' ? '' : ` (${role})`}` : name,
    )
    .join(', ');
}

/** What is left over of runs of one recipe, in pieces where they can be counted. */
function sayLeftOver(runs: readonly ProductionRun[]): string {
  const grams = sayGrams(sum(runs, ({ leftOverGrams }) => leftOverGrams));
  const pool = sum(runs, ({ poolGrams }) => poolGrams);
  if (runs.every(({ leftOverPieces }) => leftOverPieces !== null))
    return `${sayCount(
      sum(runs, (each) => each.leftOverPieces ?? 0),
      'piece',
    )}, ${grams}`;
  return pool > 1 ? `${grams}, ${sayGrams(pool)} of it the pool` : grams;
}

/** Pieces to spare, and why. */
function saySpare(runs: readonly ProductionRun[], season: SeasonBook | null): string {
  const pieces = sum(runs, ({ sparePieces }) => sparePieces);
  const facts = season?.book.recipes.get(runs[0]?.recipeId ?? '');
  const record = facts && yieldRecord(facts);
  if (pieces === 0 || !record) return '';
  return `${sayCount(pieces, 'extra piece')} because this recipe’s yield varies by ${sayNumber(record.spread * 100, 0)} %`;
}

/** Why most of it is left over. */
function sayWhyLeft(runs: readonly ProductionRun[], season: SeasonBook | null): string {
  const most = [...runs].sort((a, b) => b.leftOverGrams - a.leftOverGrams)[0];
  const facts = season?.book.recipes.get(most?.recipeId ?? '');
  return most && facts ? whyLeftOver(most, facts) : '';
}

/** What could become of a left-over. */
function sayCouldBecome(run: ProductionRun, season: SeasonBook | null): string {
  if (!season) return '';
  const use = leftOverUse(run, season.book);
  switch (use.kind) {
    case 'component':
      return `keeps ${sayCount(use.keepsDays, 'day')}; for ${sayList([...use.users])}`;
    case 'stock':
      return 'back to stock';
    case 'pieces':
      return 'to sell at the stall or give away';
    default:
      return '';
  }
}

function BatchesWorked({ run, season }: { run: ProductionRun; season: SeasonBook | null }) {
  const spare = saySpare([run], season);
  const facts = season?.book.recipes.get(run.recipeId);
  return (
    <Worked
      working={{
        title: `${run.recipeName}, ${sayShortDay(run.day)}`,
        inputs: [
          ...run.pegs.map((peg): [string, string] => [
            `${peg.name}${peg.pieces > 0 ? `, ${sayCount(peg.pieces, 'piece')}` : ''}, ${sayShortDay(peg.handOver ?? peg.on)}`,
            sayGrams(peg.grams),
          ]),
          ...(spare ? [['To spare', spare] as const] : []),
          ...(run.poolGrams > 1 ? [['Working pool', sayGrams(run.poolGrams)] as const] : []),
          ['Comes out', sayGrams(run.yieldGrams)],
          ...(run.leftOverGrams >= 1 ? [['Left over', sayGrams(run.leftOverGrams)] as const] : []),
        ],
        rule: [
          'Batches of allowed sizes that cover this, as the season as a whole is cheapest in hands and left-overs.',
          facts ? whyLeftOver(run, facts) : '',
        ]
          .filter(Boolean)
          .join(' '),
      }}
    >
      {sayBatches(run.batches)}
    </Worked>
  );
}

function Pin({ run }: { run: ProductionRun }) {
  const { pin } = usePlanEdit();
  return (
    <Checkbox
      checked={run.pinned}
      size="small"
      onChange={(_event, pinned) => void pin(run.recipeId, run.day, pinned)}
      slotProps={{ input: { 'aria-label': `Pin ${run.recipeName} to ${sayShortDay(run.day)}` } }}
    />
  );
}

const RecipeLink = ({ run }: { run: ProductionRun }) => (
  <Link component={RouterLink} to={`/recipes/${run.recipeId}`} sx={{ fontWeight: 650 }}>
    {run.recipeName}
  </Link>
);

interface RowProps {
  readonly plan: PlanRuns;
  readonly today: string;
  readonly season: SeasonBook | null;
}

/** One row a recipe: what it is for, its batches day by day with the reason for each, and what is left over. */
function ByRecipe({ plan, today, season }: RowProps) {
  const done = groupBy(plan.made, ({ recipeId }) => recipeId);
  const groups = groupBy([...plan.runs, ...plan.made], ({ recipeId }) => recipeId);
  return (
    <>
      <TableHead>
        <TableRow>
          <TableCell>Make</TableCell>
          <TableCell>
            <Box sx={dayGrid}>
              <span>Pin</span>
              <span>Day</span>
              <span>Batches, and why then</span>
            </Box>
          </TableCell>
          <TableCell align="right" sx={{ minWidth: 150 }}>
            Left over
          </TableCell>
          <TableCell align="right">Hands</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {[...groups].map(([recipeId, all]) => {
          const [first] = all;
          if (!first) return null;
          const made = done.get(recipeId) ?? [];
          const runs = plan.runs.filter((run) => run.recipeId === recipeId);
          const spare = saySpare(runs, season);
          return (
            <TableRow key={first.recipeId} sx={{ '& > td': { verticalAlign: 'top' } }}>
              <TableCell sx={{ width: 240, minWidth: 130 }}>
                <RecipeLink run={first} />
                <Box sx={small}>{sayUses(all)}</Box>
                {spare && <Box sx={small}>{spare}</Box>}
              </TableCell>
              <TableCell sx={{ minWidth: 380 }}>
                {made.map((each) => (
                  <Box key={each.day} sx={{ ...dayGrid, alignItems: 'center' }}>
                    <Box sx={{ pl: 1, display: 'flex' }}>
                      <MadeSign made={each} />
                    </Box>
                    <Box sx={figures}>{sayShortDay(each.day)}</Box>
                    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
                      {sayMade(each)}
                      <MendMade made={each} />
                    </Box>
                  </Box>
                ))}
                {runs.map((run) => (
                  <Box key={run.day} sx={dayGrid}>
                    <Box sx={{ mt: -0.75 }}>
                      <Pin run={run} />
                    </Box>
                    <Box sx={figures}>{sayShortDay(run.day)}</Box>
                    <Box sx={{ pb: 0.75 }}>
                      <BatchesWorked run={run} season={season} />
                      {season && <Box sx={small}>{whyThen(plan, run.recipeId, run.day, season.book, today)}</Box>}
                    </Box>
                  </Box>
                ))}
              </TableCell>
              <TableCell align="right" data-name="Left over">
                <Box component="span" sx={{ typography: 'figures' }}>
                  {sayLeftOver(all)}
                </Box>
                <Box sx={small}>{[...new Set(all.map((run) => sayCouldBecome(run, season)))].find(Boolean)}</Box>
                <Box sx={small}>{sayWhyLeft(runs, season)}</Box>
              </TableCell>
              <TableCell align="right" sx={figures} data-name="Hands">
                {runs.length > 0 && sayMinutes(sum(runs, ({ handsMinutes }) => handsMinutes))}
              </TableCell>
            </TableRow>
          );
        })}
      </TableBody>
    </>
  );
}

/** One row a run, by day. */
function ByDay({ plan, season }: Omit<RowProps, 'today'>) {
  return (
    <>
      <TableHead>
        <TableRow>
          <TableCell>Day</TableCell>
          <TableCell>Make</TableCell>
          <TableCell>Batches</TableCell>
          <TableCell>For</TableCell>
          <TableCell align="right">Left over</TableCell>
          <TableCell align="right">Hands</TableCell>
          <TableCell>Pin</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {plan.made.map((made, index) => (
          <TableRow key={`made ${made.recipeId} ${made.day}`}>
            <TableCell sx={figures}>{made.day === plan.made[index - 1]?.day ? '' : sayShortDay(made.day)}</TableCell>
            <TableCell>
              <RecipeLink run={made} />
            </TableCell>
            <TableCell sx={{ minWidth: 200 }}>
              <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
                <MadeSign made={made} />
                {sayMade(made)}
                <MendMade made={made} />
              </Box>
            </TableCell>
            <TableCell sx={{ minWidth: 150, maxWidth: 280 }} data-name="For">
              {sayUses([made])}
            </TableCell>
            <TableCell align="right" sx={{ typography: 'figures' }} data-name="Left over">
              {sayLeftOver([made])}
            </TableCell>
            <TableCell colSpan={2} />
          </TableRow>
        ))}
        {plan.runs.map((run, index) => (
          <TableRow key={`${run.recipeId} ${run.day}`} hover>
            <TableCell sx={figures}>{run.day === plan.runs[index - 1]?.day ? '' : sayShortDay(run.day)}</TableCell>
            <TableCell>
              <RecipeLink run={run} />
            </TableCell>
            <TableCell sx={{ whiteSpace: 'nowrap' }}>
              <BatchesWorked run={run} season={season} />
            </TableCell>
            <TableCell sx={{ minWidth: 150, maxWidth: 280 }} data-name="For">
              {sayUses([run])}
            </TableCell>
            <TableCell align="right" sx={{ typography: 'figures' }} data-name="Left over">
              {sayLeftOver([run])}
            </TableCell>
            <TableCell align="right" sx={figures} data-name="Hands">
              {sayMinutes(run.handsMinutes)}
            </TableCell>
            <TableCell padding="checkbox">
              <Pin run={run} />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </>
  );
}

/** What is made, how much of it and when; by recipe or by day. */
export function Batches({ plan: summary }: { plan: PlanSummary }) {
  const { today } = summary;
  const { season } = useSeasonBook();
  const { data: plan, error, refetch } = usePlanRunsQuery();
  const [search, setSearch] = useSearchParams();
  const way = search.get('by') === 'day' ? 'day' : 'recipe';
  if (!plan) return <Waiting error={error} again={refetch} />;
  return (
    <>
      <Offers plan={summary} />
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Batches in groups"
        value={way}
        sx={{ mb: 1, displayPrint: 'none' }}
        onChange={(_event, picked: typeof way | null) => {
          if (picked) setSearch(picked === 'day' ? { by: 'day' } : {}, { replace: true });
        }}
      >
        <ToggleButton value="recipe">By recipe</ToggleButton>
        <ToggleButton value="day">By day</ToggleButton>
      </ToggleButtonGroup>
      <TableContainer component={Paper} variant="outlined" tabIndex={0} role="region" aria-label="Batches">
        <Table size="small" sx={asCards}>
          {way === 'recipe' ? (
            <ByRecipe plan={plan} today={today} season={season} />
          ) : (
            <ByDay plan={plan} season={season} />
          )}
        </Table>
      </TableContainer>
    </>
  );
}
