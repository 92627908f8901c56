import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { SetLabel } from '@usual-pantry/core/api';
import { sayLength, sayNumber } from '@usual-pantry/core/quantity';
import { useLabelSettings } from './useLabelSettings';

/** What helps when the text does not fit: letters are never made smaller than the least height. */
export function FitOffers({ label }: { label: SetLabel }) {
  const { settings, change } = useLabelSettings();
  const { leastHeightMm } = label;
  if (leastHeightMm === null || !settings) return null;
  const offers = [
    { text: `Make it ${sayLength(leastHeightMm)} high`, part: { heightMm: leastHeightMm }, does: 'Higher label' },
    ...(settings.second !== 'none'
      ? []
      : [{ text: 'Put the long text on the back', part: { second: 'back' as const }, does: 'Label for the back' }]),
    ...(settings.declared === 'merged'
      ? []
      : [{ text: 'Declare it as one list', part: { declared: 'merged' as const }, does: 'One list' }]),
    ...(settings.code === 'none'
      ? []
      : [{ text: 'Leave the code out', part: { code: 'none' as const }, does: 'No code' }]),
    ...(settings.nutrition
      ? [{ text: 'Leave the nutrition out', part: { nutrition: false }, does: 'No nutrition' }]
      : []),
  ];
  return (
    <Alert severity="error" sx={{ mb: 1.5 }}>
      The text does not fit at the least letter height, {sayNumber(label.textLetterMm, 1)} mm by the small letters: at
      this width the label must be {sayLength(leastHeightMm)} high.
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 0.75 }}>
        {offers.map(({ text, part, does }) => (
          <Button key={text} size="small" variant="outlined" color="inherit" onClick={() => void change(part, does)}>
            {text}
          </Button>
        ))}
      </Box>
    </Alert>
  );
}
