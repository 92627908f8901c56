import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableFooter from '@mui/material/TableFooter';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { afterBuying, type ShoppingLine } from '@usual-pantry/core/shopping';
import type { PlanSummary } from '@usual-pantry/core/api';
import { minorPerUnit, sayGrams, sayMoney } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Link as RouterLink, useSearchParams } from 'react-router';
import { readNumber } from '../parts/readNumber';
import { useEdit } from '../data/useEdit';
import { useShoppingQuery } from '../data/plan';
import { useSeasonBook } from '../data/useSeason';
import { asCards } from '../parts/asCards';
import { Waiting } from '../parts/Waiting';
import { useAttempt } from '../parts/useAttempt';
import { ENOUGH, groupsOf, sayPacks, sayWhen, ways, type Way } from './shoppingWords';
import { apiAt } from '../parts/kitchenAt';

const figures = { typography: 'figures', whiteSpace: 'nowrap' } as const;

/** Ticks a line off: what was bought goes into the pantry, and the price that was paid into its packs. */
function Bought({ line, plan }: { line: ShoppingLine; plan: PlanSummary }) {
  const { season } = useSeasonBook();
  const edit = useEdit();
  const per = minorPerUnit(plan.currency);
  const [paid, setPaid] = useState<string | null>(null);
  const { trouble, setTrouble, attempt } = useAttempt();
  const stored = season?.data.ingredients.find(({ id }) => id === line.ingredientId);
  if (!stored) return null;
  const take = async () => {
    const total = Math.round(readNumber(paid ?? '') * per);
    if (!(total >= 0)) {
      setTrouble('The price paid must be a number.');
      return;
    }
    const { id: _id, version: _version, ...draft } = stored;
    await attempt(() =>
      edit.change('ingredient', stored, afterBuying(draft, line, total, plan.today), `${line.name} bought.`),
    );
  };
  if (paid === null)
    return (
      <Button
        size="small"
        aria-label={`${line.name} is bought`}
        onClick={() => {
          setPaid(String(line.costMinor / per));
        }}
        sx={{ ml: 1, displayPrint: 'none' }}
      >
        Bought
      </Button>
    );
  return (
    <Box sx={{ display: 'flex', gap: 1, mt: 0.75, alignItems: 'flex-start' }}>
      <TextField
        size="small"
        label={`Paid, ${plan.currency}`}
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

function ShoppingRow({ line, plan, shop }: { line: ShoppingLine; plan: PlanSummary; shop: string | null }) {
  return (
    <TableRow hover>
      <TableCell sx={{ minWidth: { xs: 110, sm: 190 } }}>
        <Link
          component={RouterLink}
          to={`/pantry/${line.ingredientId}`}
          sx={{ fontWeight: line.missingGrams > 0 ? 650 : 400 }}
        >
          {line.name}
        </Link>
        {line.spoiltGrams >= 1 && (
          <Box sx={{ typography: 'fine', color: 'text.secondary' }}>
            {sayGrams(line.spoiltGrams)} in the pantry spoil first
          </Box>
        )}
      </TableCell>
      <TableCell>
        {sayPacks(line, shop)}
        {line.packs.length > 0 && <Bought line={line} plan={plan} />}
      </TableCell>
      <TableCell align="right" sx={figures}>
        {line.costMinor > 0 ? sayMoney(line.costMinor, plan.currency) : ''}
      </TableCell>
      <TableCell
        sx={{ ...figures, color: line.packs.length > 0 && line.buyBy < plan.today ? 'error.main' : 'inherit' }}
      >
        {sayWhen(line, plan.today)}
      </TableCell>
      <TableCell align="right" sx={figures} data-name="Needed">
        {sayGrams(line.neededGrams)}
      </TableCell>
      <TableCell align="right" sx={figures} data-name="On hand">
        {sayGrams(line.onHandGrams)}
      </TableCell>
      <TableCell align="right" sx={figures} data-name="Left after">
        {sayGrams(line.leftGrams)}
      </TableCell>
    </TableRow>
  );
}

/** What to buy in whole packs, net of what the pantry has that is still good on the day of use; by shop, by day or by name. */
export function Shopping({ plan }: { plan: PlanSummary }) {
  const [search, setSearch] = useSearchParams();
  const asked = search.get('by');
  const way = ways.find((each) => each === asked) ?? 'shop';
  const { data: list, error, refetch } = useShoppingQuery();
  if (!list) return <Waiting error={error} again={refetch} />;
  return (
    <>
      <Box sx={{ display: 'flex', gap: 1, mb: 1, flexWrap: 'wrap', displayPrint: 'none' }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Shopping in groups"
          value={way}
          onChange={(_event, picked: Way | null) => {
            if (picked) setSearch({ by: picked }, { replace: true });
          }}
        >
          {ways.map((each) => (
            <ToggleButton key={each} value={each}>
              By {each}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <Button href={apiAt('/plan/shopping.csv')} download>
          As CSV
        </Button>
        <Button href={apiAt('/plan/shopping.txt')} target="_blank" rel="noreferrer">
          As text, by shop
        </Button>
        <Button component={RouterLink} to="/print/shopping">
          On paper
        </Button>
      </Box>
      <TableContainer component={Paper} variant="outlined" tabIndex={0} role="region" aria-label="Shopping">
        <Table size="small" sx={asCards}>
          <TableHead>
            <TableRow>
              <TableCell>Ingredient</TableCell>
              <TableCell>Buy</TableCell>
              <TableCell align="right">Cost</TableCell>
              <TableCell>When</TableCell>
              <TableCell align="right">Needed</TableCell>
              <TableCell align="right">On hand</TableCell>
              <TableCell align="right">Left after</TableCell>
            </TableRow>
          </TableHead>
          {groupsOf(list, way).map(([title, lines]) => (
            <TableBody key={title}>
              <TableRow>
                <TableCell
                  component="th"
                  scope="rowgroup"
                  colSpan={2}
                  sx={{ fontWeight: 700, pt: 2, borderBottomColor: 'rim' }}
                >
                  {title}
                </TableCell>
                <TableCell align="right" sx={{ ...figures, fontWeight: 650, pt: 2, borderBottomColor: 'rim' }}>
                  {title === ENOUGH
                    ? ''
                    : sayMoney(
                        lines.reduce((sum, { costMinor }) => sum + costMinor, 0),
                        plan.currency,
                      )}
                </TableCell>
                <TableCell colSpan={4} sx={{ borderBottomColor: 'rim' }} />
              </TableRow>
              {lines.map((line) => (
                <ShoppingRow key={line.key} line={line} plan={plan} shop={way === 'shop' ? title : null} />
              ))}
            </TableBody>
          ))}
          <TableFooter>
            <TableRow>
              <TableCell colSpan={2} sx={{ color: 'text.primary', fontWeight: 650, typography: 'note' }}>
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
