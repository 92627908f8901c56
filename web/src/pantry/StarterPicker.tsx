import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { sayCount } from '@usual-pantry/core/quantity';
import { searchStarters, type Starter, type FoundStarters } from '@usual-pantry/core/reading';
import { foldText } from '@usual-pantry/core/record';
import { useDeferredValue, useState } from 'react';
import { AllergenTags } from '../parts/Allergens';
import { AnswerLine } from '../parts/AnswerLine';
import { FootBar } from '../parts/FootBar';
import { Panel } from '../parts/Panel';
import { SearchField } from '../parts/SearchField';
import type { SeasonBook } from '../data/useSeason';
import type { Refusal } from '../parts/refusal';
import { useStarter } from './useStarter';

interface GroupProps {
  readonly group: FoundStarters;
  readonly picked: ReadonlySet<string>;
  readonly onPick: (starters: readonly Starter[], isPicked: boolean) => void;
}

/** The ingredients of one group, picked one by one or all at once. */
function Group({ group: { title, starters }, picked, onPick }: GroupProps) {
  const all = starters.every(({ id }) => picked.has(id));
  return (
    <Panel
      title={title}
      aside={
        <Button
          size="small"
          onClick={() => {
            onPick(starters, !all);
          }}
        >
          {all ? 'None of them' : 'All of them'}
        </Button>
      }
    >
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(220px, 1fr))' }}>
        {starters.map((starter) => (
          <FormControlLabel
            key={starter.id}
            sx={{ minHeight: 44, mr: 0 }}
            control={
              <Checkbox
                checked={picked.has(starter.id)}
                onChange={(_event, isPicked) => {
                  onPick([starter], isPicked);
                }}
              />
            }
            label={
              <>
                {starter.name} <AllergenTags codes={starter.contains} />
              </>
            }
          />
        ))}
      </Box>
    </Panel>
  );
}

/** Plain ingredients by group, with what is known of them, to take into the pantry. */
export function StarterPicker({ season }: { season: SeasonBook }) {
  const take = useStarter();
  const [text, setText] = useState('');
  const sought = useDeferredValue(text);
  const [picked, setPicked] = useState<ReadonlySet<string>>(new Set());
  const [trouble, setTrouble] = useState<string | null>(null);
  const have = new Set(season.data.ingredients.flatMap(({ id, name }) => [id, foldText(name)]));
  const offered = (wanted: string) =>
    searchStarters(wanted).flatMap((group) => {
      const starters = group.starters.filter(({ id, name }) => !have.has(id) && !have.has(foldText(name)));
      return starters.length > 0 ? [{ ...group, starters }] : [];
    });
  const all = offered('').flatMap(({ starters }) => starters);
  const chosen = all.filter(({ id }) => picked.has(id));
  const groups = offered(sought);
  const pick = (starters: readonly Starter[], isPicked: boolean) => {
    const next = new Set(picked);
    for (const { id } of starters)
      if (isPicked) next.add(id);
      else next.delete(id);
    setPicked(next);
  };
  const add = async () => {
    setTrouble(null);
    try {
      await take(chosen);
      setPicked(new Set());
    } catch (error) {
      setTrouble((error as Refusal).message);
    }
  };
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Box sx={{ mb: -2 }}>
        <AnswerLine>
          {sayCount(all.length, 'plain ingredient')} to start from, with composition, densities and allergens.
        </AnswerLine>
      </Box>
      {trouble && <Alert severity="error">{trouble}</Alert>}
      <SearchField label="Search plain ingredients" value={text} onChange={setText} />
      {groups.length === 0 && <p>No plain ingredient is called “{sought}”.</p>}
      {groups.map((group) => (
        <Group key={group.title} group={group} picked={picked} onPick={pick} />
      ))}
      <FootBar>
        <Button variant="contained" disabled={chosen.length === 0} onClick={() => void add()}>
          Add {chosen.length === 0 ? 'them' : sayCount(chosen.length, 'ingredient')}
        </Button>
        <span>The label of the pack that you buy goes before these, for its allergens above all.</span>
      </FootBar>
    </Box>
  );
}
