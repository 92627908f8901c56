import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { starterIngredients } from '@usual-pantry/core/starter';
import { sayCount, sayList } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { AnswerLine } from '../parts/AnswerLine';
import { Allergens } from '../parts/Allergens';
import { Figure, FigureList } from '../parts/Figures';
import { Panel } from '../parts/Panel';
import type { SeasonBook } from '../data/useSeason';
import { useStarter } from './useStarter';

/** Plain ingredients with what is known of them, to take into the pantry. */
export function StarterPicker({ season }: { season: SeasonBook }) {
  const take = useStarter(season);
  const [picked, setPicked] = useState<string[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const starters = starterIngredients();
  const have = new Set(season.data.ingredients.flatMap(({ id, name }) => [id, name.toLowerCase()]));
  const offered = starters.filter(({ id, name }) => !have.has(id) && !have.has(name.toLowerCase()));
  const chosen = offered.filter(({ id }) => picked.includes(id));
  const add = async () => {
    try {
      await take(chosen);
      setPicked([]);
    } catch {
      setTrouble('Not all of them could be added; what is in the pantry now is on the left.');
    }
  };
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Box sx={{ mb: -2 }}>
        <AnswerLine>
          {sayCount(offered.length, 'plain ingredient')} to start from, with composition, densities and allergens.
        </AnswerLine>
      </Box>
      <Autocomplete
        multiple
        disableCloseOnSelect
        options={offered.map(({ id }) => id)}
        value={picked}
        getOptionLabel={(id) => starters.find((each) => each.id === id)?.name ?? id}
        onChange={(_event, ids) => {
          setPicked(ids);
        }}
        renderInput={(props) => (
          <TextField {...props} label="Take into the pantry" error={trouble !== null} helperText={trouble} />
        )}
      />
      <div>
        <Button variant="contained" disabled={chosen.length === 0} onClick={() => void add()}>
          Add {chosen.length === 0 ? 'them' : sayCount(chosen.length, 'ingredient')}
        </Button>
      </div>
      {chosen.map((each) => (
        <Panel key={each.id} title={each.name}>
          <FigureList>
            <Figure name="Composition from">{each.composition?.source}</Figure>
            <Figure name="Label">
              {each.declaration.labelName}
              {each.declaration.parts.length > 0 && ` (${sayList(each.declaration.parts.map(({ name }) => name))})`}
            </Figure>
            <Figure name="Contains">
              <Allergens codes={each.contains} />
            </Figure>
          </FigureList>
        </Panel>
      ))}
      <span>The label of the pack that you buy goes before these, for its allergens above all.</span>
    </Box>
  );
}
