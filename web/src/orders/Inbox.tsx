import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import Link from '@mui/material/Link';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import type { MessageFate } from '@usual-pantry/core/intake';
import { addDays, sayCount, sayShortDay } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { said } from '../data/notices';
import { useAppDispatch } from '../data/store';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Empty, Panel } from '../parts/Panel';
import { useAttempt } from '../parts/useAttempt';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { sayMoment } from '../parts/words';
import { useInboxQuery, useSendTestMutation, useTakeMessageMutation, useMakeInboxKeyMutation } from '../data/orders';
import type { InboxAnswer, TestMessage } from '@usual-pantry/core/api';
import type { Refusal } from '../parts/refusal';

const tones: Record<MessageFate, 'success' | 'default' | 'error' | 'warning'> = {
  taken: 'success',
  'out of date': 'default',
  refused: 'error',
  'to decide': 'warning',
};

function Message({ message }: { message: InboxAnswer['messages'][number] }) {
  const dispatch = useAppDispatch();
  const [take, { isLoading }] = useTakeMessageMutation();
  const { order } = message.message;
  const waits = message.fate === 'refused' || message.fate === 'to decide';
  const tryAgain = async () => {
    try {
      const { fate, why } = await take(message.id).unwrap();
      if (fate !== 'taken') dispatch(said({ text: why, tone: 'trouble' }));
    } catch (error) {
      dispatch(said({ text: (error as Refusal).message, tone: 'trouble' }));
    }
  };
  return (
    <Paper component="li" variant="outlined" sx={{ p: 1.25, display: 'grid', gap: 0.5 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
        <Chip size="small" color={tones[message.fate]} variant="outlined" label={message.fate} />
        <Box sx={{ fontWeight: 650 }}>{order.customer.name}</Box>
        <Box sx={{ color: 'text.secondary', typography: 'note' }}>
          {message.reference}, number {message.revision} · {sayMoment(message.receivedAt)}
        </Box>
      </Box>
      <Box>
        {order.lines.map(({ box, count }) => `${String(count)} × ${box}`).join(', ')} for{' '}
        {sayShortDay(order.handOver.on)}, {order.handOver.way}
        {order.exclusions.length > 0 && `, no ${order.exclusions.join(', no ')}`}
      </Box>
      {message.why && <Box sx={{ color: waits ? 'error.main' : 'text.secondary' }}>{message.why}</Box>}
      <Box sx={{ display: 'flex', gap: 1 }}>
        {message.fate !== 'refused' && (
          <Link component={RouterLink} to={`/orders/${message.orderId}`}>
            Open the order
          </Link>
        )}
        {waits && (
          <Button size="small" variant="outlined" disabled={isLoading} onClick={() => void tryAgain()}>
            {message.fate === 'refused' ? 'Try again' : 'Take the shop’s'}
          </Button>
        )}
      </Box>
    </Paper>
  );
}

const manners = {
  once: 'once, as it should be',
  twice: 'twice, as a shop does that heard no answer',
  'out of order': 'the second message before the first',
  unsigned: 'without the shop’s signature',
} as const;

/** The stand-in for a shop: an order that is sent as a shop would send it, well or badly. */
function TestOrder({ season }: { season: SeasonBook }) {
  const [send, { isLoading }] = useSendTestMutation();
  const [typed, setTyped] = useState({
    customer: 'Test customer',
    box: season.data.boxes[0]?.name ?? '',
    count: '1',
    on: addDays(season.data.today, 14),
    exclusions: '',
    manner: 'once',
  });
  const [told, setTold] = useState<{ text: string; severity: 'success' | 'error' } | null>(null);
  const field = (name: keyof typeof typed) => ({
    value: typed[name],
    onChange: ({ target }: { target: { value: string } }) => {
      setTyped({ ...typed, [name]: target.value });
    },
  });
  const go = async () => {
    try {
      const receipts = await send({
        manner: typed.manner as TestMessage['manner'],
        order: {
          customer: { name: typed.customer, contact: '' },
          lines: [{ box: typed.box, count: Number(typed.count) }],
          handOver: { on: typed.on, way: 'courier', place: '' },
          exclusions: typed.exclusions
            .split(',')
            .map((word) => word.trim())
            .filter(Boolean),
          paidMinor: 0,
          cancelled: false,
          notes: '',
        },
      }).unwrap();
      const text = receipts
        .map((each) =>
          'refused' in each
            ? each.refused
            : each.again
              ? 'came again, nothing done'
              : `${each.fate}${each.why ? `: ${each.why}` : ''}`,
        )
        .join(' Then: ');
      setTold({ text, severity: receipts.some((each) => 'refused' in each) ? 'error' : 'success' });
    } catch (error) {
      const { message, wrong } = error as Refusal;
      setTold({
        text: [message, ...(wrong ?? []).map((each) => `${each.path} ${each.message}.`)].join(' '),
        severity: 'error',
      });
    }
  };
  return (
    <Panel title="Send a test order">
      <Box
        component="form"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          void go();
        }}
        sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}
      >
        <TextField label="Customer" {...field('customer')} />
        <TextField label="Box, as the shop calls it" {...field('box')} />
        <TextField label="How many" {...field('count')} />
        <TextField label="Day" type="date" {...field('on')} slotProps={{ inputLabel: { shrink: true } }} />
        <TextField label="Without, commas between" {...field('exclusions')} />
        <TextField select label="Delivered" {...field('manner')}>
          {Object.entries(manners).map(([value, label]) => (
            <MenuItem key={value} value={value}>
              {label}
            </MenuItem>
          ))}
        </TextField>
        <div>
          <Button type="submit" variant="contained" disabled={isLoading}>
            Send it
          </Button>
        </div>
      </Box>
      {told && (
        <Alert severity={told.severity} sx={{ mt: 1.5 }}>
          {told.text}
        </Alert>
      )}
    </Panel>
  );
}

/** The key that the shop signs with: shown when it is made, and never again. */
function ShopKey({ madeAt }: { madeAt: string | null }) {
  const [make, { data, isLoading }] = useMakeInboxKeyMutation();
  const { trouble, attempt } = useAttempt();
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      {trouble && <Alert severity="error">{trouble}</Alert>}
      <span>{madeAt === null ? 'There is no key yet.' : `The key was made ${sayMoment(madeAt)}.`}</span>
      {data && (
        <Alert severity="success">
          Give this to the shop now; it is not shown again:{' '}
          <Box component="code" sx={{ overflowWrap: 'anywhere' }}>
            {data.key}
          </Box>
        </Alert>
      )}
      <div>
        <Button size="small" variant="outlined" loading={isLoading} onClick={() => void attempt(() => make().unwrap())}>
          {madeAt === null ? 'Make a key' : 'Make a new key; the old one ends'}
        </Button>
      </div>
    </Box>
  );
}

/** What came from the shop, what became of it, and a way to try it. */
export function Inbox() {
  const { data: inbox, error, refetch } = useInboxQuery();
  const { season, error: bookError, again } = useSeasonBook();
  if (!inbox) return <Waiting error={error} again={refetch} />;
  if (!season) return <Waiting error={bookError} again={again} />;
  const waiting = inbox.messages.filter(({ fate }) => fate === 'refused' || fate === 'to decide').length;
  return (
    <>
      <AnswerLine>
        {sayCount(inbox.messages.length, 'message')} from the shop
        {waiting > 0 ? (
          <>
            , <Mark tone="stop">{sayCount(waiting, 'waits for you', 'wait for you')}</Mark>
          </>
        ) : (
          ', none to decide'
        )}
        .
      </AnswerLine>
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
          alignItems: 'start',
        }}
      >
        <Panel title="Messages">
          {inbox.messages.length === 0 ? (
            <Empty title="Nothing has come yet.">
              Send a test order, or give the shop the address and the key below.
            </Empty>
          ) : (
            <Box component="ul" aria-label="Messages" sx={{ listStyle: 'none', m: 0, p: 0, display: 'grid', gap: 1 }}>
              {inbox.messages.map((message) => (
                <Message key={message.id} message={message} />
              ))}
            </Box>
          )}
        </Panel>
        <Box sx={{ display: 'grid', gap: 2 }}>
          <TestOrder season={season} />
          <Panel title="For the shop">
            <p style={{ marginTop: 0 }}>
              Messages go to <code>/api/inbox/messages</code>, signed with this key. How is written in docs/formats.md.
            </p>
            <ShopKey madeAt={inbox.keyMadeAt} />
          </Panel>
        </Box>
      </Box>
    </>
  );
}
