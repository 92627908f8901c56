import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import TextField from '@mui/material/TextField';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableFooter from '@mui/material/TableFooter';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { afterBuying, type ShoppingLine } from '@usual-pantry/core/plan';
import { minorPerUnit, sayGrams, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { Link as RouterLink } from 'react-router';
import { useState } from 'react';
import type { PlanAnswer, Refusal } from '../app/api';
import { useEdit } from '../parts/useEdit';
import { useSeasonBook } from '../parts/useSeason';
import { FIGURES } from '../app/theme';

const figures = { fontFamily: FIGURES, fontSize: 13.5, whiteSpace: 'nowrap' } as const;

const sayPacks = (line: ShoppingLine): string => {
  if (line.packs.length > 0)
    return line.packs
      .map((pack) => `${String(pack.count)} × ${pack.name}${pack.supplier ? `, ${pack.supplier}` : ''}`)
      .join(' + ');
  return line.missingGrams > 0 ? 'no pack to buy' : 'enough on hand';
};

/** Ticks a line off: what was bought goes into the pantry, and the price that was paid into its packs. */
function Bought({ line, currency }: { line: ShoppingLine; currency: string }) {
  const { season } = useSeasonBook();
  const edit = useEdit();
  const per = minorPerUnit(currency);
  const [paid, setPaid] = useState<string | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const stored = season?.data.ingredients.find(({ id }) => id === line.ingredientId);
  if (!stored) return null;
  const take = async () => {
    const total = Math.round(Number((paid ?? '').replace(',', '.')) * per);
    if (!(total >= 0)) {
      setTrouble('The price paid must be a number.');
      return;
    }
    const { id: _id, version: _version, ...draft } = stored;
    try {
      await edit.change('ingredient', stored, afterBuying(draft, line, total), `${line.name} bought.`);
    } catch (error) {
      setTrouble((error as Refusal).message);
    }
  };
  if (paid === null)
    return (
      <Button
        size="small"
        aria-label={`${line.name} is bought`}
        onClick={() => {
          setPaid(String(line.costMinor / per));
        }}
        sx={{ ml: 1 }}
      >
        Bought
      </Button>
    );
  return (
    <Box sx={{ display: 'flex', gap: 1, mt: 0.75, alignItems: 'flex-start' }}>
      <TextField
        size="small"
        label={`Paid, ${currency}`}
        value={paid}
        error={trouble !== null}
        helperText={trouble}
        onChange={({ target }) => {
          setPaid(target.value);
        }}
        sx={{ width: 120 }}
      />
      <Button size="small" variant="contained" onClick={() => void take()}>
        Into the pantry
      </Button>
    </Box>
  );
}

/** What to buy in whole packs, net of the pantry; what there is enough of stands below. */
export function Shopping({ plan }: { plan: PlanAnswer }) {
  const lines = [...plan.shopping].sort((a, b) => Number(a.missingGrams === 0) - Number(b.missingGrams === 0));
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, mb: 1, displayPrint: 'none' }}>
        <Button href="/api/plan/shopping.csv">As CSV</Button>
        <Button href="/api/plan/shopping.txt" target="_blank" rel="noreferrer">
          As text, by shop
        </Button>
      </Box>
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
                <TableCell>
                  {sayPacks(line)}
                  {line.packs.length > 0 && <Bought line={line} currency={plan.currency} />}
                </TableCell>
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
    </>
  );
}
