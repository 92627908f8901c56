import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Checkbox from '@mui/material/Checkbox';
import { whyThen, type Making } from '@usual-pantry/core/plan';
import { sayCount, sayGrams, sayList, sayMinutes, sayShortDay } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import type { PlanAnswer } from '../app/api';
import { useSeasonBook, type SeasonBook } from '../parts/useSeason';
import { FIGURES } from '../app/theme';
import { usePlanEdit } from '../parts/usePlanEdit';
import { Worked } from '../parts/Worked';
import { sayBatches } from '@usual-pantry/core/recipe';

/** What a making is for, in words; each kind of piece once. */
function sayUses(making: Making): string {
  const sums = new Map<string, { name: string; pieces: number; role: string }>();
  for (const { id, name, pieces, role } of making.uses) {
    const key = `${id} ${role}`;
    sums.set(key, { name, role, pieces: (sums.get(key)?.pieces ?? 0) + pieces });
  }
  return [...sums.values()]
    .map(({ name, pieces, role }) =>
      pieces > 0 ? `${sayCount(pieces, 'piece')} of ${name}${role === 'body' ? '' : ` (${role})`}` : name,
    )
    .join(', ');
}

const sayLeftOver = (making: Making): string => {
  const grams = sayGrams(making.leftOverGrams);
  if (making.leftOverPieces !== null) return `${sayCount(making.leftOverPieces, 'piece')}, ${grams}`;
  return making.poolGrams > 1 ? `${grams}, ${sayGrams(making.poolGrams)} of it the pool` : grams;
};

function BatchesWorked({ making }: { making: Making }) {
  return (
    <Worked
      working={{
        title: `${making.recipeName}, ${sayShortDay(making.day)}`,
        inputs: [
          ...making.uses.map((use): [string, string] => [
            `${use.name}${use.pieces > 0 ? `, ${sayCount(use.pieces, 'piece')}` : ''}, ${sayShortDay(use.handOver ?? use.on)}`,
            sayGrams(use.grams),
          ]),
          ...(making.poolGrams > 1 ? [['Working pool', sayGrams(making.poolGrams)] as const] : []),
          ['Comes out', sayGrams(making.yieldGrams)],
        ],
        rule: 'Whole batches of allowed sizes that cover this, as the season as a whole is cheapest in hands and left-overs.',
      }}
    >
      {sayBatches(making.batches)}
    </Worked>
  );
}

/** What a left-over is, and what could become of it. */
function sayCouldBecome(making: Making, season: SeasonBook | null): string {
  if (making.leftOverGrams < 1) return '';
  const keeps = season?.book.recipes.get(making.recipeId)?.recipe.keepsDays ?? 0;
  const users = [...(season?.book.recipes.values() ?? [])]
    .filter(({ recipe }) => recipe.lines.some(({ uses }) => uses.id === making.recipeId))
    .map(({ recipe }) => recipe.name);
  if (users.length > 0) return `keeps ${sayCount(keeps, 'day')}; for ${sayList(users)}`;
  return keeps >= 60 ? 'back to stock' : making.leftOverPieces ? 'to sell at the stall or give away' : '';
}

/** One row a making, by day. */
export function Batches({ plan }: { plan: PlanAnswer }) {
  const { season } = useSeasonBook();
  const { pin } = usePlanEdit();
  return (
    <TableContainer component={Paper} variant="outlined" tabIndex={0} role="region" aria-label="Batches">
      <Table size="small">
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
          {plan.makings.map((making, index) => (
            <TableRow key={`${making.recipeId} ${making.day}`} hover>
              <TableCell sx={{ fontFamily: FIGURES, whiteSpace: 'nowrap' }}>
                {making.day === plan.makings[index - 1]?.day ? '' : sayShortDay(making.day)}
              </TableCell>
              <TableCell>
                <Link component={RouterLink} to={`/recipes/${making.recipeId}`} sx={{ fontWeight: 650 }}>
                  {making.recipeName}
                </Link>
                {season && (
                  <Box sx={{ fontSize: 12.5, color: 'text.secondary', minWidth: 260 }}>
                    {whyThen(plan, making.recipeId, making.day, season.book, plan.today)}
                  </Box>
                )}
              </TableCell>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>
                <BatchesWorked making={making} />
              </TableCell>
              <TableCell sx={{ minWidth: 150, maxWidth: 240 }}>{sayUses(making)}</TableCell>
              <TableCell align="right">
                <Box component="span" sx={{ fontFamily: FIGURES, fontSize: 13.5 }}>
                  {sayLeftOver(making)}
                </Box>
                <Box sx={{ fontSize: 12.5, color: 'text.secondary' }}>{sayCouldBecome(making, season)}</Box>
              </TableCell>
              <TableCell align="right" sx={{ fontFamily: FIGURES, fontSize: 13.5, whiteSpace: 'nowrap' }}>
                {sayMinutes(making.handsMinutes)}
              </TableCell>
              <TableCell padding="checkbox">
                <Checkbox
                  checked={making.pinned}
                  onChange={(_event, pinned) => void pin(making.recipeId, making.day, pinned)}
                  slotProps={{ input: { 'aria-label': `Pin ${making.recipeName} to ${sayShortDay(making.day)}` } }}
                />
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}
