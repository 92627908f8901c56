import Box from '@mui/material/Box';
import Link from '@mui/material/Link';

/** Says on every screen of the example kitchen that nothing of it is the maker's, and leads back. */
export const ExampleBar = () => (
  <Box
    role="note"
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      columnGap: 2,
      px: { xs: 1.5, md: 2.75 },
      py: 0.5,
      bgcolor: 'tape.main',
      color: 'tape.contrastText',
      typography: 'note',
    }}
  >
    <span>Example kitchen: everything here is invented, and nothing of it is yours.</span>
    <Link href="/" color="inherit" sx={{ fontWeight: 650 }}>
      Back to your kitchen
    </Link>
    <Link href="/settings#example" color="inherit">
      Remove it
    </Link>
  </Box>
);
