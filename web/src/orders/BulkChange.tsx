import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { orderStates, type Order, type OrderState } from '@usual-pantry/core/order';
import { sayCount } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { said } from '../data/notices';
import { useAppDispatch } from '../data/store';
import { useChangeStatesMutation } from '../data/orders';
import type { Refusal } from '../parts/refusal';

/** Brings all chosen orders into one state; one undo takes it back. */
export function BulkChange({ orders, onDone }: { orders: readonly Order[]; onDone: () => void }) {
  const dispatch = useAppDispatch();
  const [change, { isLoading }] = useChangeStatesMutation();
  const [state, setState] = useState<OrderState>('confirmed');
  const apply = async () => {
    try {
      const label = `${sayCount(orders.length, 'order')} ${state}.`;
      await change({ orders: orders.map(({ id, version }) => ({ id, version })), state, label }).unwrap();
      onDone();
    } catch (error) {
      dispatch(said({ text: `Nothing was changed. ${(error as Refusal).message}`, tone: 'trouble' }));
    }
  };
  return (
    <Box
      role="group"
      aria-label="Change the chosen orders"
      sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', mb: 1.25 }}
    >
      <Box sx={{ fontWeight: 650 }}>{sayCount(orders.length, 'order')} chosen:</Box>
      <TextField
        select
        label="Bring to"
        value={state}
        onChange={({ target }) => {
          setState(target.value as OrderState);
        }}
        sx={{ width: 150 }}
      >
        {orderStates.map((each) => (
          <MenuItem key={each} value={each}>
            {each}
          </MenuItem>
        ))}
      </TextField>
      <Button variant="contained" disabled={isLoading} onClick={() => void apply()}>
        Change them
      </Button>
      <Button onClick={onDone}>Choose none</Button>
    </Box>
  );
}
