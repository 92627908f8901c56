import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useLocation } from 'react-router';
import type { Refusal } from '../app/api';
import { usePairMutation } from '../app/keeping';
import { Threshold } from './Threshold';

/** Lets this device in with a code from one that is signed in. The code of a scanned picture stands behind the # of the address. */
export function Pair() {
  const scanned = useLocation().hash.slice(1);
  const [pair, { isLoading }] = usePairMutation();
  const [code, setCode] = useState(scanned);
  const [trouble, setTrouble] = useState<string | null>(null);
  const go = async () => {
    setTrouble(null);
    try {
      await pair(code).unwrap();
      window.location.replace('/');
    } catch (error) {
      setTrouble((error as Refusal).message);
    }
  };
  return (
    <Threshold title="Pair this device">
      <Box
        component="form"
        noValidate
        aria-label="Pair this device"
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
        sx={{ display: 'grid', gap: 1.75 }}
      >
        {trouble && <Alert severity="error">{trouble}</Alert>}
        <span>On a device that is signed in: Settings, Who may come in, Pair a device.</span>
        <TextField
          label="Code"
          value={code}
          onChange={(event) => {
            setCode(event.target.value);
          }}
          autoFocus
          slotProps={{ htmlInput: { autoCapitalize: 'characters', autoComplete: 'one-time-code', spellCheck: false } }}
        />
        <Button type="submit" variant="contained" size="large" loading={isLoading}>
          Let this device in
        </Button>
      </Box>
    </Threshold>
  );
}
