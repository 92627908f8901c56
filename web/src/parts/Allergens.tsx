import Box from '@mui/material/Box';
import { allergens, type Allergen } from '@usual-pantry/core/ingredient';

/** Words, each with its two-letter tag. */
export function Allergens({ codes, none = 'nothing of the list' }: { codes: readonly Allergen[]; none?: string }) {
  if (codes.length === 0) return <span>{none}</span>;
  return (
    <Box component="span" sx={{ display: 'inline-flex', flexWrap: 'wrap', columnGap: 1.25, rowGap: 0.25 }}>
      {codes.map((code) => (
        <span key={code}>
          {allergens[code].name.toLowerCase()}{' '}
          <Box
            component="abbr"
            title={allergens[code].name}
            sx={{
              typography: 'fineFigures',
              textDecoration: 'none',
              color: 'text.secondary',
            }}
          >
            {allergens[code].tag}
          </Box>
        </span>
      ))}
    </Box>
  );
}

/** The tags alone, where the words stand elsewhere; read out as words. */
export const AllergenTags = ({ codes }: { codes: readonly Allergen[] }) => (
  <Box component="span" sx={{ typography: 'fineFigures' }}>
    {codes.map((code) => (
      <abbr key={code} title={allergens[code].name} style={{ textDecoration: 'none', marginRight: 5 }}>
        {allergens[code].tag}
      </abbr>
    ))}
  </Box>
);
