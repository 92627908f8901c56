import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import type { Refusal } from '../app/api';
import { useSignInMutation } from '../app/keeping';
import { PassphraseField } from '../parts/PassphraseField';
import { deviceName, Threshold } from './Threshold';

/** Lets the maker in with the passphrase. */
export function SignIn() {
  const [signIn, { isLoading }] = useSignInMutation();
  const [passphrase, setPassphrase] = useState('');
  const [name, setName] = useState(deviceName);
  const [trouble, setTrouble] = useState<string | null>(null);
  const go = async () => {
    setTrouble(null);
    try {
      await signIn({ passphrase, name }).unwrap();
      // Everything is asked for anew, as somebody who is let in.
      window.location.reload();
    } catch (error) {
      setTrouble((error as Refusal).message);
    }
  };
  return (
    <Threshold title="Sign in">
      <Box
        component="form"
        noValidate
        aria-label="Sign in"
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
        sx={{ display: 'grid', gap: 1.75 }}
      >
        {trouble && <Alert severity="error">{trouble}</Alert>}
        <PassphraseField
          label="Passphrase"
          autoComplete="current-password"
          value={passphrase}
          onChange={setPassphrase}
          autoFocus
        />
        <TextField
          label="This device is called"
          value={name}
          onChange={(event) => {
            setName(event.target.value);
          }}
          helperText="So that you know it in Settings."
        />
        <Button type="submit" variant="contained" size="large" loading={isLoading}>
          Sign in
        </Button>
        <Link component={RouterLink} to="/pair">
          I have a code from another device
        </Link>
      </Box>
    </Threshold>
  );
}
