import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { PlainForm } from '../parts/PlainForm';
import { useAttempt } from '../parts/useAttempt';
import { sayMoment } from '../parts/words';
import type { MakeCode } from '@usual-pantry/core/api';
import { useMakeCodeMutation } from '../data/door';

const roles: Record<MakeCode['role'], string> = {
  maker: 'Everything, as me',
  helper: 'What is to be done today: no money, contacts or settings',
};

/** Makes a code with which one device can come in. */
export function PairDevice() {
  const [make, { data: code, isLoading }] = useMakeCodeMutation();
  const [name, setName] = useState('Phone');
  const [role, setRole] = useState<MakeCode['role']>('maker');
  const { trouble, attempt } = useAttempt();
  return (
    <PlainForm label="Pair a device" onSubmit={() => attempt(() => make({ name, role }).unwrap())} trouble={trouble}>
      <TextField
        label="It is called"
        value={name}
        onChange={(event) => {
          setName(event.target.value);
        }}
      />
      <TextField
        select
        label="It may see"
        value={role}
        onChange={(event) => {
          setRole(event.target.value as MakeCode['role']);
        }}
      >
        {Object.entries(roles).map(([value, label]) => (
          <MenuItem key={value} value={value}>
            {label}
          </MenuItem>
        ))}
      </TextField>
      <div>
        <Button type="submit" variant="outlined" size="small" loading={isLoading}>
          Make a code
        </Button>
      </div>
      {code && (
        <Box role="status" sx={{ display: 'grid', gap: 1 }}>
          <span>
            Until {sayMoment(code.until)}, for one device:{' '}
            <Box component="code" sx={{ typography: 'figures', letterSpacing: '0.08em' }}>
              {code.code}
            </Box>
          </span>
          {code.addresses.map(({ url, picture }) => (
            <Box key={url} sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
              <Box
                component="img"
                alt={`Scan to open ${url.replace(/#.*/, '')}`}
                src={`data:image/svg+xml;utf8,${encodeURIComponent(picture)}`}
                sx={{ width: 148, height: 148, bgcolor: '#fff', borderRadius: 1 }}
              />
              <Box component="code" sx={{ overflowWrap: 'anywhere', typography: 'note' }}>
                {url.replace(/#.*/, '')}
              </Box>
            </Box>
          ))}
        </Box>
      )}
    </PlainForm>
  );
}
