import { mdiLightningBoltOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import { exclusions } from '@usual-pantry/core/ingredient';
import { readQuickOrder, type QuickOrder } from '@usual-pantry/core/intake';
import { sayDay, sayList } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Refusal } from '../app/api';
import { Icon } from '../app/Icon';
import { keepDraft, takeDraft } from '../parts/drafts';
import { useEdit } from '../parts/useEdit';
import { useSeasonBook, type SeasonBook } from '../parts/useSeason';
import { freshOrder } from './freshOrder';

/** Under which name the form keeps a new order. */
const NEW_ORDER = 'order new';

/** The order that was read, on a form's terms. */
const draftOf = (season: SeasonBook, read: QuickOrder) => {
  const fresh = freshOrder(season);
  return {
    ...fresh,
    customer: { name: read.customer, contact: '' },
    lines: read.lines.length > 0 ? read.lines : fresh.lines,
    handOver: { on: read.on ?? fresh.handOver.on, way: read.way ?? fresh.handOver.way, place: read.place },
    exclusions: read.exclusions,
  };
};

/** The ticket as it is read while it is typed, with a choice where words may mean several things. */
function Ticket({
  season,
  read,
  onAnswer,
}: {
  season: SeasonBook;
  read: QuickOrder;
  onAnswer: (key: string, value: string) => void;
}) {
  const nameOf = (id: string) => season.book.boxes.get(id)?.box.name ?? id;
  const parts = [
    read.customer,
    read.lines.map(({ boxId, count }) => `${count} × ${nameOf(boxId)}`).join(', '),
    read.on ? sayDay(read.on) : '',
    read.way ?? '',
    read.place,
    read.exclusions.map((code) => `no ${exclusions[code]?.name ?? code}`).join(', '),
  ].filter(Boolean);
  return (
    <Box data-testid="ticket" role="status" sx={{ display: 'grid', gap: 1 }}>
      {parts.length > 0 && <Box sx={{ fontSize: 18, fontWeight: 650 }}>{parts.join(' · ')}</Box>}
      {read.missing.length > 0 && <span>Still to say: {sayList(read.missing)}.</span>}
      {read.questions.map(({ key, text, choices }) => (
        <Box
          key={key}
          sx={{
            display: 'flex',
            gap: 1,
            flexWrap: 'wrap',
            alignItems: 'center',
            borderLeft: 4,
            borderColor: 'warning.light',
            pl: 1,
          }}
        >
          <span>{text}</span>
          {choices.map(({ value, label }) => (
            <Chip
              key={value}
              label={label}
              variant="outlined"
              onClick={() => {
                onAnswer(key, value);
              }}
            />
          ))}
        </Box>
      ))}
    </Box>
  );
}

/** One typed line, read live into an order; the form for the rest. */
export function QuickEntry() {
  const { season } = useSeasonBook();
  const navigate = useNavigate();
  const edit = useEdit();
  const [text, setText] = useState('');
  const [answers, setAnswers] = useState<ReadonlyMap<string, string>>(new Map());
  const [trouble, setTrouble] = useState<string | null>(null);
  if (!season) return null;
  const read = readQuickOrder(text, season.data.boxes, season.data.today, answers);
  const whole = read.missing.length === 0 && read.questions.length === 0;

  const take = async () => {
    if (!whole) return;
    try {
      const saved = await edit.add('order', draftOf(season, read), `${read.customer}’s order taken.`);
      setText('');
      setAnswers(new Map());
      setTrouble(null);
      void navigate(`/orders/${saved.id}`);
    } catch (error) {
      const { message, wrong } = error as Refusal;
      setTrouble([message, ...(wrong ?? []).map((each) => `${each.path}: ${each.message}.`)].join(' '));
    }
  };

  return (
    <Paper
      component="form"
      aria-label="Quick entry"
      variant="outlined"
      sx={{ p: 1.5, mb: 1.5, display: 'grid', gap: 1.25 }}
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'start', flexWrap: 'wrap' }}>
        <TextField
          label="An order in one line"
          placeholder="Wren Oxley: 3 table box + 1 sampler, pick-up 20 Dec, no sesame"
          value={text}
          error={trouble !== null}
          helperText={trouble}
          sx={{ flex: '1 1 320px' }}
          onChange={({ target }) => {
            setText(target.value);
          }}
        />
        <Button type="submit" variant="contained" disabled={!whole} startIcon={<Icon path={mdiLightningBoltOutline} />}>
          Take it
        </Button>
        <Button
          disabled={text.trim() === ''}
          onClick={() => {
            if (takeDraft(NEW_ORDER)) {
              setTrouble('The form still holds an order that is not saved: save it or discard it first.');
              return;
            }
            keepDraft(NEW_ORDER, { version: 0, values: draftOf(season, read) });
            void navigate('/orders/new');
          }}
        >
          Open in the form
        </Button>
      </Box>
      {text.trim() !== '' && (
        <Ticket
          season={season}
          read={read}
          onAnswer={(key, value) => {
            setAnswers(new Map(answers).set(key, value));
          }}
        />
      )}
    </Paper>
  );
}
