import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Popover from '@mui/material/Popover';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { FIGURES } from './theme';

/** How a figure was worked out. */
export interface Working {
  readonly title: string;
  /** The inputs, each with its value. */
  readonly inputs: readonly (readonly [string, string])[];
  /** The formula in words. */
  readonly rule: string;
  readonly source?: string;
}

/** A figure that opens how it was worked out: the inputs, the rule in words, the source. */
export function Worked({ working, children }: { working: Working; children: ReactNode }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <ButtonBase
        aria-label={`${typeof children === 'string' ? children : working.title}: how this was worked out`}
        onClick={(event) => {
          setAnchor(event.currentTarget);
        }}
        sx={{
          font: 'inherit',
          color: 'inherit',
          whiteSpace: 'nowrap',
          borderBottom: '1px dotted',
          borderColor: 'text.secondary',
          borderRadius: 0.5,
          px: 0.25,
        }}
      >
        {children}
      </ButtonBase>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => {
          setAnchor(null);
        }}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
        transformOrigin={{ vertical: 'top', horizontal: 'right' }}
        slotProps={{
          paper: { sx: { p: 2, maxWidth: 380 }, 'aria-label': working.title, role: 'dialog' },
        }}
      >
        <Typography variant="h3" gutterBottom>
          {working.title}
        </Typography>
        <Box
          component="dl"
          sx={{
            display: 'grid',
            gridTemplateColumns: '1fr auto',
            columnGap: 2,
            rowGap: 0.25,
            m: 0,
            mb: 1,
          }}
        >
          {working.inputs.map(([name, value]) => (
            <Box key={name} sx={{ display: 'contents' }}>
              <dt>{name}</dt>
              <Box component="dd" sx={{ m: 0, textAlign: 'right', fontFamily: FIGURES }}>
                {value}
              </Box>
            </Box>
          ))}
        </Box>
        <Typography variant="body2">{working.rule}</Typography>
        {working.source && (
          <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
            Source: {working.source}
          </Typography>
        )}
      </Popover>
    </>
  );
}
