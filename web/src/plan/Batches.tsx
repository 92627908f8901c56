import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { Making } from '@usual-pantry/core/plan';
import { sayCount, sayGrams, sayMinutes, sayShortDay } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import type { PlanAnswer } from '../app/api';
import { FIGURES } from '../app/theme';
import { Worked } from '../parts/Worked';
import { sayBatches } from '@usual-pantry/core/recipe';

/** What a making is for, in words. */
const sayUses = (making: Making): string =>
  making.uses
    .map((use) =>
      use.pieces > 0
        ? `${sayCount(use.pieces, 'piece')} of ${use.name}${use.role === 'body' ? '' : ` (${use.role})`}`
        : use.name,
    )
    .join(', ');

const sayLeftOver = (making: Making): string => {
  const grams = sayGrams(making.leftOverGrams);
  if (making.leftOverPieces !== null) return `${sayCount(making.leftOverPieces, 'piece')}, ${grams}`;
  return making.poolGrams > 1 ? `${grams}, ${sayGrams(making.poolGrams)} of it the pool` : grams;
};

function Why({ making }: { making: Making }) {
  return (
    <Worked
      working={{
        title: `${making.recipeName}, ${sayShortDay(making.day)}`,
        inputs: [
          ...making.uses.map((use): [string, string] => [
            `${use.name}${use.pieces > 0 ? `, ${sayCount(use.pieces, 'piece')}` : ''}`,
            sayGrams(use.grams),
          ]),
          ...(making.poolGrams > 1 ? [['Working pool', sayGrams(making.poolGrams)] as const] : []),
          ['Comes out', sayGrams(making.yieldGrams)],
        ],
        rule: 'The fewest whole batches of allowed sizes that cover this, and among those the ones that leave least over. Made on the last bench day of its window that has the minutes free.',
      }}
    >
      {sayBatches(making.batches)}
    </Worked>
  );
}

/** One row a making, by day. */
export const Batches = ({ plan }: { plan: PlanAnswer }) => (
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
            </TableCell>
            <TableCell sx={{ whiteSpace: 'nowrap' }}>
              <Why making={making} />
            </TableCell>
            <TableCell sx={{ minWidth: 200 }}>{sayUses(making)}</TableCell>
            <TableCell align="right">
              <Box component="span" sx={{ fontFamily: FIGURES, fontSize: 13.5 }}>
                {sayLeftOver(making)}
              </Box>
            </TableCell>
            <TableCell align="right" sx={{ fontFamily: FIGURES, fontSize: 13.5, whiteSpace: 'nowrap' }}>
              {sayMinutes(making.handsMinutes)}
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </Table>
  </TableContainer>
);
