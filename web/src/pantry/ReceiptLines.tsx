import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import type { Ingredient } from '@usual-pantry/core/ingredient';
import type { ReceiptLine } from '@usual-pantry/core/reading';
import { sayCount } from '@usual-pantry/core/quantity';
import { Understood } from './Understood';

/** Which ingredient each line is of, where the maker has said so; null leaves the line out. */
export type Chosen = Readonly<Record<string, string | null>>;

/** The ingredient of a line: as it was said, else by its very name. */
export const ingredientOf = (
  line: ReceiptLine,
  chosen: Chosen,
  byId: ReadonlyMap<string, Ingredient>,
): Ingredient | null => {
  const said = chosen[line.source];
  if (said !== undefined) return said === null ? null : (byId.get(said) ?? null);
  return line.certain && line.found ? (byId.get(line.found.id) ?? null) : null;
};

interface ReceiptLinesProps {
  readonly lines: readonly ReceiptLine[];
  readonly ingredients: readonly Ingredient[];
  readonly chosen: Chosen;
  readonly onChoose: (source: string, id: string | null) => void;
  readonly currency: string;
}

/** What was understood of a pasted receipt: each line with its ingredient, to be confirmed or corrected. */
export function ReceiptLines({ lines, ingredients, chosen, onChoose, currency }: ReceiptLinesProps) {
  const byId = new Map(ingredients.map((each) => [each.id, each]));
  const bought = lines.filter(({ kind }) => kind === 'bought');
  const aside = lines.length - bought.length;
  return (
    <Box
      component="ul"
      aria-label="Lines of the receipt"
      sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}
    >
      {bought.map((line, index) => {
        const its = ingredientOf(line, chosen, byId);
        const likely = [...new Set([line.found, ...line.candidates].flatMap((each) => (each ? [each.id] : [])))];
        const options = [...likely, ...ingredients.map(({ id }) => id).filter((id) => !likely.includes(id))];
        return (
          <Box
            component="li"
            key={`${String(index)} ${line.source}`}
            sx={{ display: 'grid', gap: 1, gridTemplateColumns: { md: '1fr 260px 1fr' }, alignItems: 'center' }}
          >
            <Box sx={{ typography: 'figures', overflowWrap: 'anywhere' }}>{line.source}</Box>
            <Autocomplete
              size="small"
              options={options}
              value={its?.id ?? null}
              getOptionLabel={(id) => byId.get(id)?.name ?? id}
              onChange={(_event, id) => {
                onChoose(line.source, id);
              }}
              renderInput={(props) => (
                <TextField
                  {...props}
                  label="Ingredient"
                  placeholder={line.found ? `${line.found.name}?` : 'Leave it out'}
                />
              )}
            />
            <Understood read={line.price(its?.packs ?? [])} ingredient={its} currency={currency} />
          </Box>
        );
      })}
      {aside > 0 && (
        <Box component="li" sx={{ color: 'text.secondary', typography: 'note' }}>
          {sayCount(aside, 'line')} without anything bought: sums, taxes, payments, headings.
        </Box>
      )}
    </Box>
  );
}
