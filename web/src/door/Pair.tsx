import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useLocation } from 'react-router';
import { PlainForm } from '../parts/PlainForm';
import { useAttempt } from '../parts/useAttempt';
import { Threshold } from './Threshold';
import { usePairMutation } from '../data/door';

/** Lets this device in with a code from one that is signed in. The code of a scanned picture stands behind the # of the address. */
export function Pair() {
  const scanned = useLocation().hash.slice(1);
  const [pair, { isLoading }] = usePairMutation();
  const [code, setCode] = useState(scanned);
  const { trouble, attempt } = useAttempt();
  const go = async () => {
    if (await attempt(() => pair(code).unwrap())) window.location.replace('/');
  };
  return (
    <Threshold title="Pair this device">
      <PlainForm label="Pair this device" onSubmit={go} trouble={trouble}>
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
      </PlainForm>
    </Threshold>
  );
}
