import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { toCelsius } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { readNumber } from '../parts/readNumber';
import { BigButton } from './BigButton';
import { BigNumberField } from './BigNumberField';

/** Reads a thermometer in by hand, in the maker's own scale. */
export function TapTemperature({ first, onTap }: { first: 'C' | 'F'; onTap: (celsius: number) => void }) {
  const [typed, setTyped] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const take = () => {
    const value = readNumber(typed);
    const celsius = first === 'C' ? value : toCelsius(value);
    if (!(celsius > -30 && celsius < 230)) {
      setTrouble('That is no temperature of a pot. Type what the thermometer shows.');
      return;
    }
    onTap(celsius);
    setTyped('');
    setTrouble(null);
  };
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 1, alignItems: 'end' }}>
      <BigNumberField label="The thermometer shows" unit={first} value={typed} onChange={setTyped} onEnter={take} />
      <BigButton onClick={take}>Read</BigButton>
      {trouble && (
        <Typography role="alert" sx={{ gridColumn: '1 / -1', color: 'error.main' }}>
          {trouble}
        </Typography>
      )}
    </Box>
  );
}
