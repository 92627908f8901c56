import { mdiClose, mdiFilePdfBox } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { schoolNames } from '@usual-pantry/core/kitchen';
import { packBox, type PackedAs } from '@usual-pantry/core/order';
import { sayLength } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Link } from 'react-router';
import { useLabelQuery } from '../data/boxes';
import { useSeasonBook } from '../data/useSeason';
import { RecordFindings } from '../findings/Findings';
import { packedQuery } from '../parts/addresses';
import { Icon } from '../parts/Icon';
import { apiAt } from '../parts/kitchenAt';
import { Title } from '../parts/Title';
import { Waiting } from '../parts/Waiting';
import { Checklist } from './Checklist';
import { CrossContactPanel } from './CrossContactPanel';
import { FitOffers } from './FitOffers';
import { LabelDesign } from './LabelDesign';
import { LabelPreview } from './LabelPreview';
import { LabelWords } from './LabelWords';
import { WeighingPanel } from './WeighingPanel';
import { WhatIsWhat } from './WhatIsWhat';

const MOST_COPIES = 500;

interface LabelSheetProps {
  readonly boxId: string;
  readonly handOver: string | null;
  readonly packed: PackedAs;
  readonly count: number;
  /** Whether it is still to be made. */
  readonly isPlanned: boolean;
}

/** One label: at true size, what is missing, where each word comes from, how it looks, and the PDF. */
export function LabelSheet({ boxId, handOver, packed, count, isPlanned }: LabelSheetProps) {
  const { data: label, error, refetch } = useLabelQuery({ boxId, handOver, packed });
  const { season } = useSeasonBook();
  const [copies, setCopies] = useState(String(count));
  if (!label) return <Waiting error={error} again={refetch} />;
  const facts = season && packBox(season.book, boxId, packed)?.facts;
  const stops = label.findings.some((each) => each.severity === 'stop');
  const number = Number(copies);
  const wrong = !Number.isInteger(number) || number < 1 || number > MOST_COPIES;
  const query = new URLSearchParams({ ...(handOver ? { handOver } : {}), ...packedQuery(packed), copies });
  const [name = ''] = label.blocks.map(({ text }) => text);
  const [{ widthMm, heightMm } = { widthMm: 0, heightMm: 0 }] = label.layouts;
  return (
    <Box component="section" aria-label="Label">
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mb: 1.5 }}>
        <Title of={`Label: ${name}`} />
        <Typography variant="h2" sx={{ flex: 1, typography: 'title' }}>
          {name}
        </Typography>
        <IconButton component={Link} to="/labels" aria-label="Close">
          <Icon path={mdiClose} />
        </IconButton>
      </Box>
      <RecordFindings findings={label.findings.filter(({ code }) => code !== 'label-too-small')} />
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
      <FitOffers label={label} />
      <LabelPreview label={label} />
      <Typography variant="body2" sx={{ color: 'text.secondary', my: 1.5, maxWidth: '70ch' }}>
        True size: {sayLength(widthMm, heightMm)} at a zoom of 100 %, by the rules of {schoolNames[label.school]}
        {label.lot !== null && <>, lot {label.lot}</>}.{' '}
        {isPlanned && <strong>Planned: it is not made yet, so look at its dates again when it is. </strong>}An estimate,
        not legal advice: your local code decides what a label must say.
      </Typography>
      <Box sx={{ display: 'grid', gap: 2 }}>
        <LabelDesign isOpen={false} />
        {season && facts && <LabelWords label={label} facts={facts} book={season.book} />}
        <Checklist label={label} />
        <CrossContactPanel label={label} />
        {season && facts && <WhatIsWhat facts={facts} book={season.book} />}
        {facts && <WeighingPanel facts={facts} isOpen={false} />}
      </Box>
    </Box>
  );
}
