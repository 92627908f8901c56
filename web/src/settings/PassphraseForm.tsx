import Button from '@mui/material/Button';
import { useState } from 'react';
import { said } from '../data/notices';
import { useAppDispatch } from '../data/store';
import { PassphraseField } from '../parts/PassphraseField';
import { PlainForm } from '../parts/PlainForm';
import { useAttempt } from '../parts/useAttempt';
import type { DoorAnswer } from '@usual-pantry/core/api';
import { useSetPassphraseMutation } from '../data/door';

/** Sets the passphrase, or another one. */
export function PassphraseForm({ door }: { door: DoorAnswer }) {
  const dispatch = useAppDispatch();
  const [store, { isLoading }] = useSetPassphraseMutation();
  const [old, setOld] = useState('');
  const [next, setNext] = useState('');
  const { trouble, attempt } = useAttempt('passphrase');
  const asksOld = door.isLocked && door.hasPassphrase;
  const go = () =>
    attempt(async () => {
      await store({ passphrase: next, old: asksOld ? old : null }).unwrap();
      setOld('');
      setNext('');
      dispatch(said({ text: 'The passphrase is set. Other devices must sign in again.' }));
    });
  return (
    <PlainForm label="Set a passphrase" onSubmit={go} trouble={trouble}>
      {asksOld && (
        <PassphraseField label="Passphrase until now" autoComplete="current-password" value={old} onChange={setOld} />
      )}
      <PassphraseField
        label={door.hasPassphrase ? 'Another passphrase' : 'Passphrase'}
        autoComplete="new-password"
        value={next}
        onChange={setNext}
        help="Fifteen characters at least: four or five words."
      />
      <div>
        <Button type="submit" variant="outlined" size="small" loading={isLoading}>
          {door.hasPassphrase ? 'Change it' : 'Set it'}
        </Button>
      </div>
    </PlainForm>
  );
}
