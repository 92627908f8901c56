import { mdiClose, mdiFilePdfBox } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { PackedAs } from '@usual-pantry/core/order';
import { useState } from 'react';
import { Link } from 'react-router';
import { Icon } from '../parts/Icon';
import { packedQuery } from '../parts/addresses';
import { RecordFindings } from '../findings/Findings';
import { Title } from '../parts/Title';
import { Waiting } from '../parts/Waiting';
import { LabelPreview } from './LabelPreview';
import { useLabelQuery } from '../data/boxes';
import { sayLength } from '@usual-pantry/core/quantity';
import { apiAt } from '../parts/kitchenAt';

const MOST_COPIES = 500;

interface LabelSheetProps {
  readonly boxId: string;
  readonly handOver: string | null;
  readonly packed: PackedAs;
  readonly count: number;
}

/** One label: what is missing, the label at true size, the PDF. */
export function LabelSheet({ boxId, handOver, packed, count }: LabelSheetProps) {
  const { data: label, error, refetch } = useLabelQuery({ boxId, handOver, packed });
  const [copies, setCopies] = useState(String(count));
  if (!label) return <Waiting error={error} again={refetch} />;
  const stops = label.findings.some((each) => each.severity === 'stop');
  const number = Number(copies);
  const wrong = !Number.isInteger(number) || number < 1 || number > MOST_COPIES;
  const query = new URLSearchParams({ ...(handOver ? { handOver } : {}), ...packedQuery(packed), copies });
  return (
    <Box component="section" aria-label="Label">
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mb: 1.5 }}>
        <Title of={`Label: ${label.blocks[0]?.text ?? ''}`} />
        <Typography variant="h2" sx={{ flex: 1, typography: 'title' }}>
          {label.blocks[0]?.text}
        </Typography>
        <IconButton component={Link} to="/labels" aria-label="Close">
          <Icon path={mdiClose} />
        </IconButton>
      </Box>
      <RecordFindings findings={label.findings} />
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'flex-start', mb: 2 }}>
        <TextField
          label="Copies"
          value={copies}
          onChange={(event) => {
            setCopies(event.target.value);
          }}
          error={wrong}
          helperText={wrong ? `1 to ${String(MOST_COPIES)}` : undefined}
          sx={{ width: 100 }}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        />
        <Button
          component="a"
          href={apiAt(`/boxes/${encodeURIComponent(boxId)}/label.pdf?${query.toString()}`)}
          target="_blank"
          rel="noopener"
          variant="contained"
          disabled={stops || wrong}
          startIcon={<Icon path={mdiFilePdfBox} />}
          sx={{ height: 40 }}
        >
          PDF, one label a page
        </Button>
      </Box>
      <LabelPreview label={label} />
      <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1.5, maxWidth: '60ch' }}>
        True size: {sayLength(label.layout.widthMm, label.layout.heightMm)} at a zoom of 100 %. An estimate, not legal
        advice: your local code decides what a label must say.
      </Typography>
    </Box>
  );
}
