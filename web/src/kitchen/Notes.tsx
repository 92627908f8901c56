import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { noteKinds, type NoteKind } from '@usual-pantry/core/making';
import { sayTemperature } from '@usual-pantry/core/quantity';
import { useRef, useState } from 'react';
import { BigButton } from './BigButton';
import { readPhoto } from './photo';
import { sayAt } from './sayTimes';
import type { Bench } from './useBench';
import type { Cook } from './cook';

const names: Readonly<Record<NoteKind, string>> = {
  stirred: 'Stirred',
  'heat down': 'Heat down',
  'heat up': 'Heat up',
  'something went in': 'Something went in',
  foamed: 'Foamed',
  separated: 'Separated',
  grained: 'Grained',
  'smelled burnt': 'Smelled burnt',
};

/** What was noted, the newest first. @param most so many are shown */
export function Noted({ bench, most = 6 }: { bench: Bench; most?: number }) {
  const { notes, photos } = bench.state;
  if (notes.length + photos.length === 0) return null;
  return (
    <Box component="ul" aria-label="Noted" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 0.5 }}>
      {notes
        .slice(-most)
        .reverse()
        .map(({ id, at, note, text, celsius }) => (
          <li key={id}>
            {sayAt(Date.parse(at))} {[note && names[note], text].filter(Boolean).join(': ')}
            {celsius !== null && ` at ${sayTemperature(celsius)}`}
          </li>
        ))}
      {photos.length > 0 && (
        <Box component="li" sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          {photos.map(({ id, at, jpeg }) => (
            <Box
              key={id}
              component="img"
              src={jpeg}
              alt={`Picture of ${sayAt(Date.parse(at))}`}
              sx={{ height: 72, borderRadius: 1 }}
            />
          ))}
        </Box>
      )}
    </Box>
  );
}

/** Notes in one tap, stamped with the moment and the temperature; a picture; a word in one's own. */
export function Notes({ bench, cook }: { bench: Bench; cook: Cook | null }) {
  const picture = useRef<HTMLInputElement>(null);
  const [text, setText] = useState('');
  const [trouble, setTrouble] = useState<string | null>(null);
  const { stage, happen } = bench;
  const note = (kind: NoteKind | null, words = '') => {
    happen({ kind: 'note', note: kind, text: words, celsius: cook?.shows ?? null, stage: stage.stage }, cook?.at());
  };
  const kinds = noteKinds.filter((kind) => cook !== null || !['heat down', 'heat up', 'foamed'].includes(kind));
  return (
    <Box sx={{ display: 'grid', gap: 1.25 }} component="section" aria-label="Notes">
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1.25 }}>
        {kinds.map((kind) => (
          <BigButton
            key={kind}
            onClick={() => {
              note(kind);
            }}
          >
            {names[kind]}
          </BigButton>
        ))}
        <BigButton onClick={() => picture.current?.click()}>Take a picture</BigButton>
        <input
          ref={picture}
          type="file"
          accept="image/*"
          capture="environment"
          aria-label="Picture"
          hidden
          onChange={({ currentTarget }) => {
            const [file] = currentTarget.files ?? [];
            currentTarget.value = '';
            if (!file) return;
            setTrouble(null);
            readPhoto(file).then(
              (jpeg) => {
                happen({ kind: 'photo', stage: stage.stage, jpeg });
              },
              () => {
                setTrouble('That is no picture that this browser can read.');
              },
            );
          }}
        />
      </Box>
      {trouble && (
        <Typography role="alert" sx={{ color: 'error.main' }}>
          {trouble}
        </Typography>
      )}
      <Paper
        component="form"
        variant="outlined"
        sx={{ p: 1.25, display: 'grid', gap: 1 }}
        onSubmit={(event) => {
          event.preventDefault();
          if (text.trim() === '') return;
          note(null, text.trim().slice(0, 500));
          setText('');
        }}
      >
        <TextField
          label="A word of your own, Enter keeps it"
          value={text}
          size="medium"
          onChange={({ target }) => {
            setText(target.value);
          }}
        />
        <Noted bench={bench} />
      </Paper>
    </Box>
  );
}
