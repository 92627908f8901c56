import Button from '@mui/material/Button';
import Link from '@mui/material/Link';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { PassphraseField } from '../parts/PassphraseField';
import { PlainForm } from '../parts/PlainForm';
import { useAttempt } from '../parts/useAttempt';
import { deviceName, Threshold } from './Threshold';
import { useSignInMutation } from '../data/door';

/** Lets the maker in with the passphrase. */
export function SignIn() {
  const [signIn, { isLoading }] = useSignInMutation();
  const [passphrase, setPassphrase] = useState('');
  const [name, setName] = useState(deviceName);
  const { trouble, attempt } = useAttempt();
  const go = async () => {
    // Everything is asked for anew, as somebody who is let in.
    if (await attempt(() => signIn({ passphrase, name }).unwrap())) window.location.reload();
  };
  return (
    <Threshold title="Sign in">
      <PlainForm label="Sign in" onSubmit={go} trouble={trouble}>
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
      </PlainForm>
    </Threshold>
  );
}
