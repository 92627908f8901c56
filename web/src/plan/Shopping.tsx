import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableFooter from '@mui/material/TableFooter';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import type { ShoppingLine } from '@usual-pantry/core/plan';
import { sayGrams, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import type { PlanAnswer } from '../app/api';
import { FIGURES } from '../app/theme';

const figures = { fontFamily: FIGURES, fontSize: 13.5, whiteSpace: 'nowrap' } as const;

const sayPacks = (line: ShoppingLine): string => {
  if (line.packs.length > 0)
    return line.packs
      .map((pack) => `${String(pack.count)} × ${pack.name}${pack.supplier ? `, ${pack.supplier}` : ''}`)
      .join(' + ');
  return line.missingGrams > 0 ? 'no pack to buy' : 'enough on hand';
};

/** What to buy in whole packs, net of the pantry; what there is enough of stands below. */
export function Shopping({ plan }: { plan: PlanAnswer }) {
  const lines = [...plan.shopping].sort((a, b) => Number(a.missingGrams === 0) - Number(b.missingGrams === 0));
  return (
    <TableContainer component={Paper} variant="outlined" tabIndex={0} role="region" aria-label="Shopping">
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>Ingredient</TableCell>
            <TableCell>Buy</TableCell>
            <TableCell align="right">Cost</TableCell>
            <TableCell>By</TableCell>
            <TableCell align="right">Needed</TableCell>
            <TableCell align="right">On hand</TableCell>
            <TableCell align="right">Left after</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {lines.map((line) => (
            <TableRow key={line.ingredientId} hover>
              <TableCell>
                <Link
                  component={RouterLink}
                  to={`/pantry/${line.ingredientId}`}
                  sx={{ fontWeight: line.missingGrams > 0 ? 650 : 400 }}
                >
                  {line.name}
                </Link>
              </TableCell>
              <TableCell>{sayPacks(line)}</TableCell>
              <TableCell align="right" sx={figures}>
                {line.costMinor > 0 ? sayMoney(line.costMinor, plan.currency) : ''}
              </TableCell>
              <TableCell sx={figures}>{line.missingGrams > 0 ? sayShortDay(line.buyBy) : ''}</TableCell>
              <TableCell align="right" sx={figures}>
                {sayGrams(line.neededGrams)}
              </TableCell>
              <TableCell align="right" sx={figures}>
                {sayGrams(line.onHandGrams)}
              </TableCell>
              <TableCell align="right" sx={figures}>
                {sayGrams(line.leftGrams)}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
        <TableFooter>
          <TableRow>
            <TableCell colSpan={2} sx={{ color: 'text.primary', fontWeight: 650, fontSize: 14 }}>
              All of it
            </TableCell>
            <TableCell align="right" sx={{ ...figures, color: 'text.primary', fontWeight: 650 }}>
              {sayMoney(plan.shoppingCostMinor, plan.currency)}
            </TableCell>
            <TableCell colSpan={4} />
          </TableRow>
        </TableFooter>
      </Table>
    </TableContainer>
  );
}
