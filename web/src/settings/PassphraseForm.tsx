import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { Refusal } from '../app/api';
import { said } from '../app/history';
import { useSetPassphraseMutation, type DoorAnswer } from '../app/keeping';
import { useAppDispatch } from '../app/store';
import { PassphraseField } from '../parts/PassphraseField';

/** Sets the passphrase, or another one. */
export function PassphraseForm({ door }: { door: DoorAnswer }) {
  const dispatch = useAppDispatch();
  const [store, { isLoading }] = useSetPassphraseMutation();
  const [old, setOld] = useState('');
  const [next, setNext] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const asksOld = door.isLocked && door.hasPassphrase;
  const go = async () => {
    setTrouble(null);
    try {
      await store({ passphrase: next, old: asksOld ? old : null }).unwrap();
      setOld('');
      setNext('');
      dispatch(said({ text: 'The passphrase is set. Other devices must sign in again.' }));
    } catch (error) {
      const { message, wrong } = error as Refusal;
      setTrouble(wrong?.[0] ? `The passphrase ${wrong[0].message}.` : message);
    }
  };
  return (
    <Box
      component="form"
      noValidate
      aria-label="Set a passphrase"
      onSubmit={(event) => {
        event.preventDefault();
        void go();
      }}
      sx={{ display: 'grid', gap: 1.25 }}
    >
      {trouble && <Alert severity="error">{trouble}</Alert>}
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
    </Box>
  );
}
