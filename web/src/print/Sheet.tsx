import { mdiArrowLeft, mdiPrinterOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import GlobalStyles from '@mui/material/GlobalStyles';
import Typography from '@mui/material/Typography';
import { allergens, type Allergen } from '@usual-pantry/core/ingredient';
import { sayList } from '@usual-pantry/core/quantity';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Icon } from '../parts/Icon';
import { Title } from '../parts/Title';

const INK = '#111';

interface SheetProps {
  readonly title: string;
  /** One line below the title. */
  readonly lead: ReactNode;
  /** Where one came from. */
  readonly back: string;
  readonly children: ReactNode;
}

/** A sheet of paper, black on white whatever the scheme, as wide as Letter and A4 both have room for. */
export const Sheet = ({ title, lead, back, children }: SheetProps) => (
  <Box sx={{ bgcolor: '#fff', color: INK, minHeight: '100dvh', colorScheme: 'light' }}>
    <Title of={title} />
    <GlobalStyles styles={{ '@page': { margin: '14mm' }, '@media print': { html: { fontSize: '13px' } } }} />
    <Box sx={{ display: 'flex', gap: 1, p: 1.5, borderBottom: 1, borderColor: '#bbb', displayPrint: 'none' }}>
      <Button
        variant="contained"
        startIcon={<Icon path={mdiPrinterOutline} />}
        onClick={() => {
          window.print();
        }}
      >
        Print
      </Button>
      <Button component={Link} to={back} startIcon={<Icon path={mdiArrowLeft} />} sx={{ color: '#1E3F66' }}>
        Back
      </Button>
    </Box>
    <Box component="main" sx={{ maxWidth: '180mm', mx: 'auto', p: 2, '@media print': { p: 0 } }}>
      <Typography variant="h1">{title}</Typography>
      <Box sx={{ mt: 0.5, mb: 2 }}>{lead}</Box>
      {children}
    </Box>
  </Box>
);

/** What something contains, as a sentence; nothing when it contains nothing of the list. */
export const sayContains = (codes: readonly Allergen[]): string =>
  codes.length === 0 ? '' : `Contains ${sayList(codes.map((code) => allergens[code].name.toLowerCase()))}. `;

/** What must not be overlooked. */
export const PaperWarning = ({ children }: { children: ReactNode }) => (
  <Box sx={{ fontWeight: 650, border: `2px solid ${INK}`, p: 0.75, my: 0.5 }}>{children}</Box>
);

/** A box to tick with a pen. */
export const PaperTick = () => (
  <Box
    aria-hidden
    sx={{ width: 15, height: 15, border: '1.5px solid', borderColor: INK, borderRadius: 0.5, flexShrink: 0, mt: '3px' }}
  />
);

/** One entry of a list on paper, with its box to tick. It is never parted by the end of a page. */
export const PaperLine = ({ children, aside }: { children: ReactNode; aside?: ReactNode }) => (
  <Box
    component="li"
    sx={{
      display: 'flex',
      gap: 1.25,
      py: 0.6,
      borderBottom: '1px solid #ccc',
      breakInside: 'avoid',
      '&:last-child': { borderBottom: 0 },
    }}
  >
    <PaperTick />
    <Box sx={{ flex: 1, minWidth: 0 }}>{children}</Box>
    {aside !== undefined && <Box sx={{ typography: 'figures', color: INK, whiteSpace: 'nowrap' }}>{aside}</Box>}
  </Box>
);

export const PaperList = ({ children }: { children: ReactNode }) => (
  <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
    {children}
  </Box>
);

/** A heading with what belongs to it; it stays with its first entry. */
export const PaperPart = ({ title, aside, children }: { title: string; aside?: ReactNode; children: ReactNode }) => (
  <Box component="section" sx={{ mb: 2.5 }}>
    <Box
      sx={{
        display: 'flex',
        justifyContent: 'space-between',
        gap: 2,
        borderBottom: `2px solid ${INK}`,
        mb: 0.5,
        breakAfter: 'avoid',
        alignItems: 'baseline',
      }}
    >
      <Typography variant="h2">{title}</Typography>
      {aside !== undefined && <Box sx={{ typography: 'figures', color: INK }}>{aside}</Box>}
    </Box>
    {children}
  </Box>
);
