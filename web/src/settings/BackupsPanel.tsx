import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Link from '@mui/material/Link';
import { sayCount, sayNumber, sayShortDay } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { said } from '../data/notices';
import { useAppDispatch } from '../data/store';
import { Empty, Panel } from '../parts/Panel';
import { Waiting } from '../parts/Waiting';
import type { Refusal } from '../parts/refusal';
import {
  useBackupsQuery,
  useCheckDatabaseMutation,
  useRestoreBackupMutation,
  useTakeBackupMutation,
} from '../data/backups';
import type { Backup, DatabaseHealth } from '@usual-pantry/core/api';
import { apiAt } from '../parts/kitchenAt';

const reasons: Record<Backup['kind'], string> = {
  daily: 'the copy of the day',
  'before-migration': 'before an update',
  'before-import': 'before an import',
  'before-restore': 'before an older copy was put back',
  'on-demand': 'taken by hand',
};
const MEGABYTE = 1024 * 1024;

const sayHealth = ({ troubles, counts }: DatabaseHealth): string =>
  troubles.length > 0
    ? `It is damaged: ${troubles.join('; ')}.`
    : `It is whole: ${sayCount(counts['recipe'] ?? 0, 'recipe')}, ${sayCount(counts['box'] ?? 0, 'box', 'boxes')}, ${sayCount(counts['customer_order'] ?? 0, 'order')}.`;

/** One copy, and what can be done with it. */
function BackupRow({ backup, onCheck, onPutBack }: { backup: Backup; onCheck: () => void; onPutBack: () => void }) {
  return (
    <Box
      component="li"
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        gap: 1,
        py: 0.5,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <Box sx={{ flex: '1 1 110px' }}>
        <Box sx={{ fontWeight: 650 }}>{sayShortDay(backup.on)}</Box>
        <Box sx={{ typography: 'note', color: 'text.secondary' }}>
          {reasons[backup.kind]}, {sayNumber(backup.bytes / MEGABYTE, 1)} MB
        </Box>
      </Box>
      <Button size="small" aria-label={`Check ${backup.name}`} onClick={onCheck}>
        Check
      </Button>
      <Link
        href={apiAt(`/backups/${encodeURIComponent(backup.name)}/file`)}
        download
        aria-label={`Download ${backup.name}`}
      >
        Download
      </Link>
      <Button size="small" color="error" aria-label={`Put back ${backup.name}`} onClick={onPutBack}>
        Put back
      </Button>
    </Box>
  );
}

interface PutBackDialogProps {
  /** The copy that is to be put back; null while none is. */
  readonly backup: Backup | null;
  readonly isBusy: boolean;
  readonly onKeep: () => void;
  readonly onPutBack: (backup: Backup) => void;
}

/** Asks before everything is replaced by a copy. */
function PutBackDialog({ backup, isBusy, onKeep, onPutBack }: PutBackDialogProps) {
  return (
    <Dialog open={backup !== null} onClose={onKeep} aria-labelledby="restore-title">
      <DialogTitle id="restore-title">Put everything back as it was on {backup && sayShortDay(backup.on)}?</DialogTitle>
      <DialogContent>
        What is here now is kept as a copy first: it can be put back in the same way. Pages that are open elsewhere
        cannot save over it.
      </DialogContent>
      <DialogActions>
        <Button onClick={onKeep}>Keep what is here</Button>
        <Button
          variant="contained"
          color="error"
          loading={isBusy}
          onClick={() => {
            if (backup) onPutBack(backup);
          }}
        >
          Put it back
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** Copies of the whole database: taken, looked at, taken away, put back. */
export function BackupsPanel() {
  const dispatch = useAppDispatch();
  const { data: backups, error, refetch } = useBackupsQuery();
  const [take, { isLoading: isTaking }] = useTakeBackupMutation();
  const [check, { isLoading: isChecking }] = useCheckDatabaseMutation();
  const [restore, { isLoading: isRestoring }] = useRestoreBackupMutation();
  const [chosen, setChosen] = useState<Backup | null>(null);
  const [told, setTold] = useState<{ text: string; severity: 'success' | 'error' } | null>(null);
  if (!backups) return <Waiting error={error} again={refetch} />;
  const attempt = async (what: () => Promise<{ text: string; isWell: boolean }>) => {
    try {
      const { text, isWell } = await what();
      setTold({ text, severity: isWell ? 'success' : 'error' });
    } catch (refused) {
      setTold({ text: (refused as Refusal).message, severity: 'error' });
    }
  };
  const lookAt = (name: string | null) =>
    attempt(async () => {
      const health = await check(name).unwrap();
      return { text: sayHealth(health), isWell: health.troubles.length === 0 };
    });
  const putBack = async ({ name, on }: Backup) => {
    await attempt(async () => {
      await restore(name).unwrap();
      dispatch(said({ text: `The copy of ${sayShortDay(on)} is in place.` }));
      return { text: `The copy of ${sayShortDay(on)} is in place. What was there before is a copy too.`, isWell: true };
    });
    setChosen(null);
  };
  return (
    <Panel
      title="Backups"
      place="backups"
      aside={
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button size="small" loading={isChecking} onClick={() => void lookAt(null)}>
            Check what is stored
          </Button>
          <Button
            size="small"
            variant="outlined"
            loading={isTaking}
            onClick={() =>
              void attempt(async () => {
                await take().unwrap();
                return { text: 'A copy was taken and checked.', isWell: true };
              })
            }
          >
            Take a copy
          </Button>
        </Box>
      }
    >
      <p style={{ marginTop: 0 }}>
        A copy of everything is taken each day, and before an update, an import and a putting back. Seven days, four
        weeks and twelve months stay. Keep one on another disk too.
      </p>
      {told && (
        <Alert severity={told.severity} sx={{ mb: 1.5 }}>
          {told.text}
        </Alert>
      )}
      {backups.length === 0 ? (
        <Empty title="No copy yet.">The first is taken a minute after the start, or now by hand.</Empty>
      ) : (
        <Box
          component="ul"
          aria-label="Backups"
          sx={{ listStyle: 'none', m: 0, p: 0, maxHeight: 320, overflow: 'auto' }}
        >
          {backups.map((backup) => (
            <BackupRow
              key={backup.name}
              backup={backup}
              onCheck={() => void lookAt(backup.name)}
              onPutBack={() => {
                setChosen(backup);
              }}
            />
          ))}
        </Box>
      )}
      <PutBackDialog
        backup={chosen}
        isBusy={isRestoring}
        onKeep={() => {
          setChosen(null);
        }}
        onPutBack={(backup) => void putBack(backup)}
      />
    </Panel>
  );
}
