import { mdiLightningBoltOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import {
  readQuickOrder,
  shelfOfBook,
  type QuickOrder,
  type QuickQuestion,
  type Reading,
} from '@usual-pantry/core/intake';
import { pieceCosts } from '@usual-pantry/core/money';
import {
  afterWayOut,
  findingsOfOrder,
  orderDraftSchema,
  type OrderAction,
  type OrderDraft,
} from '@usual-pantry/core/order';
import { sayDaySeenFrom, sayList } from '@usual-pantry/core/quantity';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { Icon } from '../parts/Icon';
import { FIGURES } from '../parts/theme';
import { keepDraft, takeDraft } from '../records/drafts';
import { RecordFindings } from '../findings/Findings';
import { useEdit } from '../data/useEdit';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { freshOrder } from './freshOrder';
import { PromiseLine } from './PromiseLine';
import { sayExclusion } from '../parts/packedWords';
import { useCustomersQuery } from '../data/orders';
import type { Refusal } from '../parts/refusal';

/** Under which name the form keeps a new order. */
const NEW_ORDER = 'order new';

/** The order that was read, on a form's terms. Words that are still asked about go along as a note, so that none is lost on the way. */
function draftOf(season: SeasonBook, read: QuickOrder, text: string): OrderDraft {
  const fresh = freshOrder(season);
  return {
    ...fresh,
    customer: { name: read.customer, contact: read.contact },
    lines: read.lines.length > 0 ? read.lines : fresh.lines,
    handOver: { on: read.on ?? fresh.handOver.on, way: read.way ?? fresh.handOver.way, place: read.place },
    exclusions: read.exclusions,
    notes: [read.notes, ...read.open].filter(Boolean).join('; '),
    words: text.trim(),
  };
}

/** How a reading is marked under the typed words: by a word in the list below, never by its line alone. */
const marked: Partial<Record<Reading | 'asked', { colour: string; style: string }>> = {
  exclusion: { colour: 'error.main', style: 'solid' },
  asked: { colour: 'warning.light', style: 'wavy' },
  note: { colour: 'text.secondary', style: 'dotted' },
};

/** The typed words again, with what rules something out, what is kept as a note and what is not understood marked. */
const ReadWords = ({ parts }: { parts: QuickOrder['parts'] }) => (
  <Box sx={{ typography: 'note', color: 'text.secondary', whiteSpace: 'pre-wrap' }}>
    {parts.map(({ text, reading }, index) => {
      const look = marked[reading === null ? 'asked' : reading || 'courtesy'];
      return (
        <Box
          key={`${String(index)} ${text}`}
          component={look ? 'mark' : 'span'}
          title={reading === null ? 'not understood' : reading || undefined}
          sx={
            look && {
              bgcolor: 'transparent',
              color: 'text.primary',
              textDecoration: `underline ${look.style} 2px`,
              textDecorationColor: (theme) => theme.palette.text.primary,
              textUnderlineOffset: '3px',
            }
          }
        >
          {text}
        </Box>
      );
    })}
  </Box>
);

/** One question with its choices. */
const Question = ({
  question,
  onAnswer,
}: {
  question: QuickQuestion;
  onAnswer: (key: string, value: string) => void;
}) => (
  <Box
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
    <span>{question.text}</span>
    {question.choices.map(({ value, label }) => (
      <Chip
        key={value}
        label={label}
        variant="outlined"
        onClick={() => {
          onAnswer(question.key, value);
        }}
      />
    ))}
  </Box>
);

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
  const { book } = season;
  const nameOf = (id: string) => book.boxes.get(id)?.box.name ?? id;
  const sayLine = ({ boxId, count, without }: QuickOrder['lines'][number]) =>
    [`${String(count)} × ${nameOf(boxId)}`, ...without.map((code) => sayExclusion(code, book))].join(' with ');
  const parts = [
    read.customer,
    read.lines.map(sayLine).join(', '),
    read.on ? sayDaySeenFrom(read.on, season.data.today) : '',
    [read.way, read.place].filter(Boolean).join(' at '),
    read.exclusions.map((code) => sayExclusion(code, book)).join(', '),
    read.contact,
  ].filter(Boolean);
  return (
    <Box data-testid="ticket" role="status" sx={{ display: 'grid', gap: 1 }}>
      <ReadWords parts={read.parts} />
      {parts.length > 0 && <Box sx={{ typography: 'large', fontWeight: 650 }}>{parts.join(' · ')}</Box>}
      {read.notes && <span>Note: {read.notes}</span>}
      {read.missing.length > 0 && <span>Still to say: {sayList(read.missing)}.</span>}
      {read.questions.map((question) => (
        <Question key={question.key} question={question} onAnswer={onAnswer} />
      ))}
      {read.remarks.length > 0 && (
        <Box sx={{ typography: 'note', color: 'text.secondary', fontFamily: FIGURES }}>{read.remarks.join(' ')}</Box>
      )}
    </Box>
  );
}

/** What a whole order breaks and whether it can be promised, with its ways out, before it is taken. */
function BeforeTaking({
  season,
  draft,
  onOrder,
  onDay,
}: {
  season: SeasonBook;
  draft: OrderDraft;
  onOrder: (action: OrderAction) => void;
  onDay: (day: string) => void;
}) {
  const findings = findingsOfOrder({ ...draft, id: 'new' }, season.book, season.data.today, pieceCosts(season.book));
  return (
    <Box>
      <PromiseLine draft={draft} id={undefined} onDay={onDay} />
      <RecordFindings
        findings={findings.map((each) => ({
          ...each,
          waysOut: each.waysOut.filter(({ action }) => action.kind !== 'open'),
        }))}
        onOrder={onOrder}
      />
    </Box>
  );
}

/** What was changed by ways out before the order is taken; it holds for the very words that it was chosen for. */
interface Changes {
  readonly text: string;
  readonly actions: readonly OrderAction[];
}

/** One typed line, read live into an order; the form for the rest. */
export function QuickEntry() {
  const { season } = useSeasonBook();
  const { data: customers } = useCustomersQuery();
  const navigate = useNavigate();
  const edit = useEdit();
  const [text, setText] = useState('');
  const [answers, setAnswers] = useState<ReadonlyMap<string, string>>(new Map());
  const [changes, setChanges] = useState<Changes>({ text: '', actions: [] });
  const [trouble, setTrouble] = useState<string | null>(null);
  const book = season?.book;
  const shelf = useMemo(() => {
    return book && shelfOfBook(book, customers?.names ?? []);
  }, [book, customers]);
  if (!season || !shelf) return null;
  const read = readQuickOrder(text, shelf, season.data.today, answers);
  const whole = read.missing.length === 0 && read.questions.length === 0;
  const actions = changes.text === text ? changes.actions : [];
  const draft = actions.reduce(afterWayOut, draftOf(season, read, text));
  const change = (action: OrderAction) => {
    setChanges({ text, actions: [...actions, action] });
  };

  const take = async () => {
    if (!whole) return;
    try {
      const saved = await edit.add('order', draft, `${read.customer}’s order taken.`);
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
            keepDraft(NEW_ORDER, { version: 0, values: draft });
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
      {whole && orderDraftSchema.safeParse(draft).success && (
        <BeforeTaking
          season={season}
          draft={draft}
          onOrder={change}
          onDay={(to) => {
            change({ kind: 'move-order', orderId: 'new', to });
          }}
        />
      )}
    </Paper>
  );
}
