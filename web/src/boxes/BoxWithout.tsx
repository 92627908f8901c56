import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { resolveBox, type Box as StoredBox } from '@usual-pantry/core/box';
import { sayList } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { sayExclusion } from '../parts/packedWords';
import { useEdit } from '../data/useEdit';
import type { SeasonBook } from '../data/useSeason';
import { useAttempt } from '../parts/useAttempt';
import { WithoutPicker } from './WithoutPicker';

/** A dietary variant of a stored box: which cells change, which must still be decided, and the box itself. */
export function BoxWithout({ season, box }: { season: SeasonBook; box: StoredBox }) {
  const { boxes, pieces } = season.book;
  const edit = useEdit();
  const navigate = useNavigate();
  const [without, setWithout] = useState<string[]>([]);
  const { trouble, attempt } = useAttempt();
  const facts = boxes.get(box.id);
  if (!facts) return null;
  const { facts: resolved, standIns, undecided, clear } = resolveBox(facts, without, pieces);
  const nameOf = (id: string) => pieces.get(id)?.piece.name ?? id;
  const make = async () => {
    const { id: _id, version: _version, ...draft } = box;
    const name = [box.name, ...without.map((code) => sayExclusion(code, season.book))].join(', ').slice(0, 80);
    const cells = resolved.box.cells.map((cell, at) => (undecided.includes(at + 1) ? null : cell));
    await attempt(async () => {
      const saved = await edit.add('box', { ...draft, name, cells }, `${name} made.`);
      void navigate(`/boxes/${saved.id}`);
    });
  };
  return (
    <Box sx={{ display: 'grid', gap: 1.25 }}>
      <WithoutPicker label="Without" book={season.book} value={without} onChange={setWithout} />
      {standIns.map(({ fromId, toId, cells }) => (
        <span key={`${fromId} ${toId}`}>
          {cells} × {nameOf(toId)} for {nameOf(fromId)}
        </span>
      ))}
      {without.length > 0 && (
        <Alert severity={clear ? 'success' : 'warning'}>
          {clear
            ? standIns.length === 0
              ? 'It has none of that in it as it is.'
              : 'Its stand-ins have none of that in them.'
            : `No stand-in is clear for ${undecided.length === 1 ? 'cell' : 'cells'} ${sayList(undecided.map(String))}: left empty to be filled.`}{' '}
          A home kitchen can say what is in a box, never that it is free of traces.
        </Alert>
      )}
      {trouble && <Alert severity="error">{trouble}</Alert>}
      <div>
        <Button variant="outlined" disabled={without.length === 0} onClick={() => void make()}>
          Make that box
        </Button>
      </div>
    </Box>
  );
}
