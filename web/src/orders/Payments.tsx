import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import {
  moneyOf,
  orderDraftSchema,
  payWays,
  sayOwed,
  withPayment,
  type OrderDraft,
  type PayWay,
} from '@usual-pantry/core/order';
import { minorPerUnit, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { typedNumber } from '@usual-pantry/core/reading';
import { useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import type { SeasonBook } from '../data/useSeason';
import { Panel } from '../parts/Panel';

/** What was paid of an order and what is due: one press for all of it, or an amount; money given back is a payment below zero. */
export function Payments({ season }: { season: SeasonBook }) {
  const { setValue } = useFormContext<OrderDraft>();
  const parsed = orderDraftSchema.safeParse(useWatch());
  const payments = useWatch<OrderDraft, 'payments'>({ name: 'payments' });
  const [way, setWay] = useState<PayWay>('cash');
  const [typed, setTyped] = useState('');
  if (!parsed.success) return null;
  const { currency } = season.data.kitchen;
  const { today } = season.data;
  const money = moneyOf(parsed.data, season.book);
  const add = (minor: number) => {
    const after = withPayment(parsed.data, { on: today, minor, way, note: '' });
    setValue('payments', after.payments, { shouldDirty: true, shouldValidate: true });
    setTyped('');
  };
  const amount = Math.round(typedNumber(typed) * minorPerUnit(currency));
  const isAmount = Number.isFinite(amount) && amount !== 0;
  const isWrong = typed.trim() !== '' && !isAmount;
  return (
    <Panel title={`Payments: ${sayOwed(money, parsed.data.state === 'cancelled', currency)}`}>
      <Box component="ul" aria-label="Payments" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 0.25 }}>
        {parsed.data.depositMinor > 0 && <li>Deposit {sayMoney(parsed.data.depositMinor, currency)}</li>}
        {payments.map(({ on, minor, way: by, note }, index) => (
          <li key={`${on} ${String(index)}`}>
            {sayShortDay(on)}:{' '}
            {minor === null
              ? 'all that was due'
              : minor < 0
                ? `${sayMoney(-minor, currency)} given back`
                : sayMoney(minor, currency)}
            {by !== 'other' && `, ${by}`}
            {note && `, ${note}`}
          </li>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', flexWrap: 'wrap', mt: 1 }}>
        <TextField
          select
          label="By"
          value={way}
          onChange={({ target }) => {
            setWay(target.value as PayWay);
          }}
          sx={{ width: 120 }}
        >
          {payWays.map((each) => (
            <MenuItem key={each} value={each}>
              {each}
            </MenuItem>
          ))}
        </TextField>
        {money.due > 0 && (
          <Button
            variant="outlined"
            onClick={() => {
              add(money.due);
            }}
          >
            Paid {sayMoney(money.due, currency)}
          </Button>
        )}
        <TextField
          label="Another amount"
          value={typed}
          error={isWrong}
          helperText={isWrong ? 'Type an amount, like 12.50. For money you gave back, type -5.' : undefined}
          onChange={({ target }) => {
            setTyped(target.value);
          }}
          sx={{ width: 180 }}
        />
        <Button
          disabled={!isAmount}
          onClick={() => {
            add(amount);
          }}
        >
          {amount < 0 ? 'Given back' : 'Add it'}
        </Button>
        {money.over > 0 && (
          <Button
            onClick={() => {
              add(-money.over);
            }}
          >
            Give back {sayMoney(money.over, currency)}
          </Button>
        )}
      </Box>
    </Panel>
  );
}
