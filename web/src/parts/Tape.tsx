import Box from '@mui/material/Box';
import { Link } from 'react-router';

const TORN =
  'polygon(0 0, 100% 0, calc(100% - 5px) 12.5%, 100% 25%, calc(100% - 5px) 37.5%, 100% 50%, calc(100% - 5px) 62.5%, 100% 75%, calc(100% - 5px) 87.5%, 100% 100%, 0 100%)';

/** A strip of kitchen tape: the name, and date or code in the mono face. */
export const Tape = ({
  to,
  name,
  code,
  tone = 'batch',
}: {
  /** Where it is looked at; null where that is not for whoever looks. */
  to: string | null;
  name: string;
  code: string;
  tone?: 'batch' | 'pack';
}) => (
  <Box
    {...(to === null ? {} : { component: Link, to })}
    sx={{
      display: 'block',
      px: 1.5,
      py: 0.75,
      pr: 2.5,
      bgcolor: tone === 'batch' ? 'tape.main' : 'action.selected',
      color: tone === 'batch' ? 'tape.contrastText' : 'text.primary',
      borderLeft: 7,
      borderColor: tone === 'batch' ? 'hot.main' : 'primary.main',
      clipPath: TORN,
      textDecoration: 'none',
    }}
  >
    <Box sx={{ fontWeight: 650 }}>{name}</Box>
    <Box sx={{ typography: 'figures' }}>{code}</Box>
  </Box>
);
