import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { lotOfCode } from '@usual-pantry/core/making';
import type { IngredientFiled } from '@usual-pantry/core/ingredient';
import { sayGrams, sayShortDay, type Day } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { BigButton } from './BigButton';
import { BenchPanel } from './looks';

/** Picks the lot that something is taken from: by a tap, or by what a scanner types. */
export function LotPicker({
  ingredient,
  onPick,
}: {
  ingredient: IngredientFiled;
  onPick: (useBy: Day | null) => void;
}) {
  const [code, setCode] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const read = () => {
    const lot = lotOfCode(code, ingredient);
    if (lot) onPick(lot.useBy);
    else setTrouble(`No lot of ${ingredient.name} has that day. Pick one, or put the pack into the pantry first.`);
  };
  return (
    <BenchPanel label="Lots">
      <TextField
        label="Scan the pack, or type its day (2027-01-02)"
        value={code}
        size="medium"
        autoFocus
        error={trouble !== null}
        helperText={trouble}
        onChange={({ target }) => {
          setCode(target.value);
          setTrouble(null);
        }}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return;
          event.preventDefault();
          read();
        }}
        slotProps={{ htmlInput: { autoComplete: 'off', style: { fontSize: 20 } } }}
      />
      <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fit, minmax(180px, 1fr))' }}>
        {ingredient.lots.map(({ useBy, grams }, index) => (
          <BigButton
            key={index}
            onClick={() => {
              onPick(useBy);
            }}
          >
            {`Use by ${sayShortDay(useBy)}, ${sayGrams(grams)}`}
          </BigButton>
        ))}
        <BigButton
          onClick={() => {
            onPick(null);
          }}
        >
          A pack without a day
        </BigButton>
      </Box>
    </BenchPanel>
  );
}
