import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { sayGrams, sayList } from '@usual-pantry/core/quantity';
import type { Lacking } from '@usual-pantry/core/shopping';
import { BigButton } from './BigButton';
import { BenchPanel } from './looks';

/** By ingredient: where that came from which the pantry does not have. */
export type CameFrom = Readonly<Record<string, 'opened' | 'elsewhere'>>;

interface WhereFromProps {
  readonly lacking: readonly Lacking[];
  readonly from: CameFrom;
  readonly onSay: (from: CameFrom) => void;
}

/** What went in and was not on hand, each with the question where it came from. */
export function WhereFrom({ lacking, from, onSay }: WhereFromProps) {
  if (lacking.length === 0) return null;
  return (
    <BenchPanel label="Where it came from">
      <Typography sx={{ typography: 'large' }}>
        The pantry does not have all that went in. Where did it come from?
      </Typography>
      {lacking.map(({ ingredientId, name, grams: missing, packs }) => (
        <Box key={ingredientId} sx={{ display: 'grid', gap: 0.5 }}>
          <b>{`${name}, ${sayGrams(missing)}`}</b>
          <ToggleButtonGroup
            exclusive
            aria-label={`${name} came from`}
            value={from[ingredientId] ?? null}
            onChange={(_event, where: 'opened' | 'elsewhere' | null) => {
              if (where) onSay({ ...from, [ingredientId]: where });
            }}
          >
            {packs.length > 0 && (
              <ToggleButton value="opened" sx={{ minHeight: 56 }}>
                {`Opened: ${sayList(packs.map((pack) => `${String(pack.count)} × ${pack.name}`))}`}
              </ToggleButton>
            )}
            <ToggleButton value="elsewhere" sx={{ minHeight: 56 }}>
              Not from the pantry
            </ToggleButton>
          </ToggleButtonGroup>
        </Box>
      ))}
      <BigButton
        onClick={() => {
          onSay(
            Object.fromEntries(
              lacking.map(
                ({ ingredientId, packs }) =>
                  [ingredientId, from[ingredientId] ?? (packs.length > 0 ? 'opened' : 'elsewhere')] as const,
              ),
            ),
          );
        }}
      >
        All from packs that were opened
      </BigButton>
    </BenchPanel>
  );
}
