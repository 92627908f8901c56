import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import type { BoxDraft } from '@usual-pantry/core/box';
import { useFormContext, useWatch } from 'react-hook-form';
import type { SeasonBook } from '../data/useSeason';

/** The pieces that may take a cell's place when an order rules its own out, the preferred one first. */
export function StandIns({ season, cell: index }: { season: SeasonBook; cell: number }) {
  const { setValue } = useFormContext<BoxDraft>();
  const cell = useWatch<BoxDraft, 'cells'>({ name: 'cells' })[index];
  if (!cell) return null;
  const nameOf = (id: string) => season.book.pieces.get(id)?.piece.name ?? id;
  return (
    <Autocomplete
      multiple
      options={[...season.book.pieces.keys()].filter((id) => id !== cell.pieceId)}
      value={cell.standIns}
      getOptionLabel={nameOf}
      onChange={(_event, standIns) => {
        setValue(`cells.${index}`, { ...cell, standIns }, { shouldDirty: true });
      }}
      sx={{ mt: 1.5 }}
      renderInput={(props) => (
        <TextField
          {...props}
          label={`Stand-ins for ${nameOf(cell.pieceId)}, the preferred one first`}
          helperText="Taken where an order rules the piece out, if they are clear of it."
        />
      )}
    />
  );
}
