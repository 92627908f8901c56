import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { byCause, sayCause, type Cause, type Finding } from '@usual-pantry/core/finding';
import { memo, useState } from 'react';
import { SeverityMark } from './severities';
import { WaysOut, type WaysOutProps } from './WaysOut';

type OnOrder = Pick<WaysOutProps, 'onOrder'>;

const Row = memo(function Row({ finding, onOrder }: { finding: Finding } & OnOrder) {
  return (
    <Box component="li" sx={{ display: 'flex', columnGap: 2, rowGap: 0.5, flexWrap: 'wrap', alignItems: 'center' }}>
      <Box component="span" sx={{ flex: '1 1 320px', maxWidth: '90ch' }}>
        {finding.message}
      </Box>
      <WaysOut waysOut={finding.waysOut} onOrder={onOrder} />
    </Box>
  );
});

/** So many of a cause are shown before one asks for the rest. */
const AT_FIRST = 4;

const CauseEntry = memo(function CauseEntry({ cause, onOrder }: { cause: Cause } & OnOrder) {
  const [isWhole, setWhole] = useState(false);
  const count = cause.findings.length;
  const shown = isWhole ? cause.findings : cause.findings.slice(0, AT_FIRST);
  return (
    <Box
      sx={{
        display: 'flex',
        gap: 1.25,
        py: 1,
        borderTop: 1,
        borderColor: 'divider',
        '&:first-of-type': { borderTop: 0 },
      }}
    >
      <SeverityMark severity={cause.severity} />
      <Box sx={{ flex: 1, minWidth: 0, display: 'grid', gap: 0.75 }}>
        {count > 1 && (
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
            <Typography variant="h3" component="p">
              {sayCause(cause.code, count)}
            </Typography>
            <WaysOut waysOut={cause.waysOut} onOrder={onOrder} />
          </Box>
        )}
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 0.75 }}>
          {shown.map((each) => (
            <Row key={each.key} finding={each} onOrder={onOrder} />
          ))}
        </Box>
        {count > AT_FIRST && (
          <Button
            size="small"
            sx={{ justifySelf: 'start' }}
            onClick={() => {
              setWhole(!isWhole);
            }}
          >
            {isWhole ? 'Show fewer' : `Show all ${String(count)}`}
          </Button>
        )}
      </Box>
    </Box>
  );
});

/** Findings by cause, each with its ways out. */
export function CauseList({ findings, onOrder }: { findings: readonly Finding[] } & OnOrder) {
  return (
    <Box
      sx={{
        px: 1.75,
        py: 0.5,
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: 1,
      }}
    >
      {byCause(findings).map((cause) => (
        <CauseEntry key={cause.code} cause={cause} onOrder={onOrder} />
      ))}
    </Box>
  );
}
