import type { DevicesAnswer } from '@usual-pantry/core/api';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { said } from '../data/notices';
import { useAppDispatch } from '../data/store';
import { Panel } from '../parts/Panel';
import { Waiting } from '../parts/Waiting';
import { sayMoment } from '../parts/words';
import { PairDevice } from './PairDevice';
import { PassphraseForm } from './PassphraseForm';
import type { Refusal } from '../parts/refusal';
import { useDevicesQuery, useDoorQuery, useRemoveDeviceMutation, useSignOutMutation } from '../data/door';
import type { Device } from '@usual-pantry/core/api';

const SHOWN = 8;

function Devices({ devices }: { devices: readonly Device[] }) {
  const dispatch = useAppDispatch();
  const [remove] = useRemoveDeviceMutation();
  const [signOut] = useSignOutMutation();
  const letOut = async ({ id, isThis }: Device) => {
    try {
      if (isThis) {
        await signOut().unwrap();
        // What was typed and not saved is not left to whoever comes next.
        sessionStorage.clear();
        window.location.reload();
      } else await remove(id).unwrap();
    } catch (error) {
      dispatch(said({ text: (error as Refusal).message, tone: 'trouble' }));
    }
  };
  return (
    <Box component="ul" aria-label="Devices" sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {devices.map((device) => (
        <Box
          component="li"
          key={device.id}
          sx={{ display: 'flex', alignItems: 'center', gap: 1, py: 0.5, borderTop: 1, borderColor: 'divider' }}
        >
          <Box sx={{ flex: 1 }}>
            <Box sx={{ fontWeight: 650 }}>
              {device.name}
              {device.isThis && ', this one'}
            </Box>
            <Box sx={{ typography: 'note', color: 'text.secondary' }}>
              {device.role === 'helper' ? 'a helper' : 'as me'}, seen {sayMoment(device.seen)}
            </Box>
          </Box>
          <Button
            size="small"
            aria-label={device.isThis ? undefined : `Let out ${device.name}`}
            onClick={() => void letOut(device)}
          >
            {device.isThis ? 'Sign out' : 'Let out'}
          </Button>
        </Box>
      ))}
    </Box>
  );
}

const Comings = ({ audit }: { audit: DevicesAnswer['audit'] }) => (
  <Box component="details" sx={{ typography: 'note' }}>
    <summary>What was written down</summary>
    <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
      {audit.slice(0, SHOWN).map((line) => (
        <li key={`${line.at} ${line.what}`}>
          {sayMoment(line.at)}: {line.what}
          {line.about && `, ${line.about}`}, {line.by}
        </li>
      ))}
    </Box>
  </Box>
);

/** Who may come in from other devices, and how. */
export function DoorPanel() {
  const { data: door, error, refetch } = useDoorQuery();
  const { data: known } = useDevicesQuery();
  if (!door) return <Waiting error={error} again={refetch} />;
  return (
    <Panel title="Who may come in" place="door">
      <Box sx={{ display: 'grid', gap: 1.75 }}>
        {door.isLocked ? (
          <Alert severity="success">
            Other devices reach this kitchen, and each must sign in or be paired. This one is called{' '}
            {door.visitor?.name}.
          </Alert>
        ) : (
          <Alert severity="info">
            This kitchen answers on this computer only, to whoever sits at it.{' '}
            {door.hasPassphrase
              ? 'A passphrase is set: it can be started for the network, docs/deploy.md tells how.'
              : 'To let a phone in, set a passphrase first; docs/deploy.md tells what comes next.'}
          </Alert>
        )}
        {known && known.devices.length > 0 && <Devices devices={known.devices} />}
        {door.isLocked && (
          <>
            <Typography variant="h3">Pair a device</Typography>
            <PairDevice />
          </>
        )}
        <Typography variant="h3">Passphrase</Typography>
        <PassphraseForm door={door} />
        {known && known.audit.length > 0 && <Comings audit={known.audit} />}
      </Box>
    </Panel>
  );
}
