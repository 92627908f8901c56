import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { Link as RouterLink } from 'react-router';
import { sayShortDay, type Day } from '@usual-pantry/core/quantity';
import { AnswerLine } from '../parts/AnswerLine';
import { Waiting } from '../parts/Waiting';
import { Appearance } from './Appearance';
import { BackupsPanel } from './BackupsPanel';
import { DiagnosticsPanel } from './DiagnosticsPanel';
import { ExamplePanel } from './ExamplePanel';
import { DoorPanel } from './DoorPanel';
import { KitchenForm } from './KitchenForm';
import { SeasonFilePanel } from './SeasonFilePanel';
import { useBookQuery } from '../data/book';
import { useExampleQuery } from '../data/example';
import { useBackupsQuery } from '../data/backups';

/** What stands below the kitchen, or beside it. */
const places = [
  ['measures', 'Measures, figures and dates'],
  ['backups', 'Backups'],
  ['season-file', 'Season file'],
  ['example', 'Example kitchen'],
  ['door', 'Who may come in'],
  ['diagnostics', 'Diagnostics'],
] as const;

const sayNewest = (on: Day | null, today: Day): string =>
  on === null ? 'no backup yet' : on === today ? 'backed up today' : `last backed up ${sayShortDay(on)}`;

/** The maker, the kitchen's habits, the season file, the look. */
export function Settings() {
  const { data: book, error, refetch } = useBookQuery();
  const { data: backups } = useBackupsQuery();
  const { data: example } = useExampleQuery();
  if (!book) return <Waiting error={error} again={refetch} />;
  const { kitchen } = book;
  const hours = kitchen.benchWeek.reduce((sum, day) => sum + day.hours, 0);
  return (
    <>
      <AnswerLine>
        {kitchen.makerName}:{' '}
        {hours > 0 ? `${String(hours)} bench hours a week` : 'no bench days set, so any day will do'}
        {backups && `, ${sayNewest(backups[0]?.on ?? null, book.today)}`}.
      </AnswerLine>
      <Box component="nav" aria-label="In settings" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, mb: 2 }}>
        {places
          .filter(([place]) => place !== 'example' || example?.isOffered)
          .map(([place, name]) => (
            <Link key={place} href={`#${place}`} sx={{ py: 0.5 }}>
              {name}
            </Link>
          ))}
        <Link component={RouterLink} to="/changes" sx={{ py: 0.5 }}>
          What was changed
        </Link>
      </Box>
      {!kitchen.statementChecked && (
        <Alert severity="warning" sx={{ mb: 2 }}>
          The home-kitchen statement is a placeholder. Check your local code.
        </Alert>
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: '1fr', lg: '3fr 2fr' },
          alignItems: 'start',
        }}
      >
        <KitchenForm key={kitchen.version} kitchen={kitchen} />
        <Box sx={{ display: 'grid', gap: 2 }}>
          <BackupsPanel />
          <SeasonFilePanel />
          <ExamplePanel />
          <DoorPanel />
          <DiagnosticsPanel />
          <Appearance />
        </Box>
      </Box>
    </>
  );
}
