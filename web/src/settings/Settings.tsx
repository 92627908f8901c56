import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import { useBookQuery } from '../app/api';
import { AnswerLine } from '../parts/AnswerLine';
import { Waiting } from '../parts/Waiting';
import { Appearance } from './Appearance';
import { BackupsPanel } from './BackupsPanel';
import { DiagnosticsPanel } from './DiagnosticsPanel';
import { DoorPanel } from './DoorPanel';
import { KitchenForm } from './KitchenForm';
import { SeasonFilePanel } from './SeasonFilePanel';

/** The maker, the kitchen's habits, the season file, the look. */
export function Settings() {
  const { data: book, error, refetch } = useBookQuery();
  if (!book) return <Waiting error={error} again={refetch} />;
  const { kitchen } = book;
  const hours = kitchen.benchWeek.reduce((sum, day) => sum + day.hours, 0);
  return (
    <>
      <AnswerLine>
        {kitchen.makerName}:{' '}
        {hours > 0 ? `${String(hours)} bench hours a week` : 'no bench days set, so any day will do'}.
      </AnswerLine>
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
          <DoorPanel />
          <DiagnosticsPanel />
          <Appearance />
        </Box>
      </Box>
    </>
  );
}
