import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { rejectReasons } from '@usual-pantry/core/batch';
import { sayCount, sayGrams } from '@usual-pantry/core/quantity';
import { sayPercent } from '../parts/words';
import { BigButton } from './BigButton';
import { BigNumberField } from './BigNumberField';
import { sideBySide, stack } from './looks';
import { Notes } from './Notes';
import type { Bench } from './useBench';
import { useEnding } from './useEnding';
import { WhereFrom } from './WhereFrom';

/** What came out: weighed, counted, graded; then it is written down as made, with everything above. */
export function EndStage({ bench }: { bench: Bench }) {
  const ending = useEnding(bench);
  const { net, tare, weighed, expected, grams, setGrams, pieces, setPieces, rejects, setRejects } = ending;
  const { grade, setGrade, notes, setNotes, trouble, isLoading, finish } = ending;
  return (
    <Box sx={sideBySide}>
      <Box sx={stack}>
        <Typography variant="h1" sx={{ fontSize: { xs: '1.6rem', md: '2.2rem' } }}>
          Weigh what came out: {sayGrams(expected)} is expected
        </Typography>
        <Paper variant="outlined" sx={{ p: 2 }}>
          {net !== null && (
            <Box
              sx={{
                display: 'flex',
                alignItems: 'center',
                gap: 2,
                fontSize: 'clamp(44px, 13vw, 84px)',
                fontWeight: 700,
              }}
            >
              {sayGrams(net)}
              <BigButton onClick={tare}>Tare</BigButton>
            </Box>
          )}
          <BigNumberField label="Came out" unit="g" value={grams} onChange={setGrams} />
          {weighed !== null && weighed > 0 && (
            <Typography sx={{ typography: 'large', mt: 1 }}>
              {sayPercent((100 * weighed) / expected)} of what should come out. It counts for what is made to spare.
            </Typography>
          )}
          <BigNumberField label="Good pieces, where they can be counted" unit="" value={pieces} onChange={setPieces} />
        </Paper>
        <Paper
          variant="outlined"
          component="fieldset"
          sx={{ p: 2, m: 0, display: 'grid', gap: 1, gridTemplateColumns: 'repeat(auto-fit, minmax(130px, 1fr))' }}
        >
          <Typography component="legend" sx={{ typography: 'large', fontWeight: 650 }}>
            Not good enough to give away
          </Typography>
          {rejectReasons.map((reason) => (
            <BigNumberField
              key={reason}
              label={reason}
              unit=""
              value={rejects[reason] ?? ''}
              onChange={(value) => {
                setRejects({ ...rejects, [reason]: value });
              }}
            />
          ))}
        </Paper>
        <Paper variant="outlined" sx={{ p: 2, display: 'grid', gap: 1 }}>
          <Typography id="grade" sx={{ typography: 'large', fontWeight: 650 }}>
            How good is it? 5 is as good as ever
          </Typography>
          <ToggleButtonGroup
            exclusive
            aria-labelledby="grade"
            value={grade}
            onChange={(_event, chosen: number | null) => {
              setGrade(chosen);
            }}
          >
            {[1, 2, 3, 4, 5].map((each) => (
              <ToggleButton key={each} value={each} sx={{ minHeight: 64, minWidth: 56, typography: 'title' }}>
                {each}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
          <TextField
            label="What to remember"
            multiline
            minRows={2}
            value={notes}
            onChange={({ target }) => {
              setNotes(target.value);
            }}
          />
        </Paper>
      </Box>
      <Box sx={stack}>
        <WhereFrom lacking={ending.lacking} from={ending.from} onSay={ending.setFrom} />
        <Notes bench={bench} cook={null} />
        {trouble && <Alert severity="error">{trouble}</Alert>}
        <BigButton variant="contained" disabled={isLoading} onClick={() => void finish('done')} sx={{ minHeight: 80 }}>
          {sayCount(1, 'batch', 'batches')} made
        </BigButton>
        <BigButton color="error" disabled={isLoading} onClick={() => void finish('failed')}>
          It failed
        </BigButton>
      </Box>
    </Box>
  );
}
