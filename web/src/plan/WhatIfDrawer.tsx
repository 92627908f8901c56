import Alert from '@mui/material/Alert';
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import MenuItem from '@mui/material/MenuItem';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { PlanSum, WhatIf, WhatIfAnswer } from '@usual-pantry/core/programme';
import type { PlanSummary } from '@usual-pantry/core/api';
import { sayDay, sayList, sayMass, sayMinutes, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { useEffect, useRef, useState } from 'react';
import { WaysOut } from '../findings/WaysOut';
import { useSeasonBook } from '../data/useSeason';
import { Running } from '../parts/Running';
import { POLL_MS } from '../data/usePlanJob';
import { useAcceptWhatIfMutation, usePlanJobQuery, useStopPlanMutation, useWhatIfMutation } from '../data/plan';
import type { Refusal } from '../parts/refusal';

const rows: readonly (readonly [name: string, say: (sum: PlanSum, currency: string) => string])[] = [
  ['Batches', ({ batches }) => String(batches)],
  ['Hands', ({ handsMinutes }) => sayMinutes(handsMinutes)],
  ['Over the hours', ({ overMinutes }) => sayMinutes(overMinutes)],
  ['Shopping', ({ shoppingMinor }, currency) => sayMoney(shoppingMinor, currency)],
  ['Left over', ({ leftOverGrams }) => sayMass(leftOverGrams)],
  ['Orders that cannot be kept', ({ broken }) => (broken.length === 0 ? 'none' : sayList(broken))],
];

/** Runs that come and go, by name and day. */
function changesOf(before: PlanSum, after: PlanSum): string[] {
  const key = ({ recipeName, day }: PlanSum['runs'][number]) => `${recipeName}, ${sayShortDay(day)}`;
  const [old, now] = [before.runs.map(key), after.runs.map(key)];
  return [
    ...now.filter((each) => !old.includes(each)).map((each) => `new: ${each}`),
    ...old.filter((each) => !now.includes(each)).map((each) => `gone: ${each}`),
  ];
}

function Compared({ answer, currency }: { answer: WhatIfAnswer; currency: string }) {
  const { before, after } = answer;
  if (!after)
    return (
      <Alert severity="error">
        It cannot be done.
        {answer.clash.length > 0 && ` These cannot hold together: ${answer.clash.join('; ')}.`}
        <WaysOut waysOut={answer.waysOut} />
      </Alert>
    );
  const changes = changesOf(before, after);
  return (
    <>
      <Table size="small" aria-label="Before and after">
        <TableHead>
          <TableRow>
            <TableCell />
            <TableCell>Now</TableCell>
            <TableCell>Then</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map(([name, say]) => {
            const [old, then] = [say(before, currency), say(after, currency)];
            return (
              <TableRow key={name}>
                <TableCell>{name}</TableCell>
                <TableCell sx={{ typography: 'figures' }}>{old}</TableCell>
                <TableCell sx={{ typography: 'figures', fontWeight: old === then ? 400 : 700 }}>{then}</TableCell>
              </TableRow>
            );
          })}
        </TableBody>
      </Table>
      <Box sx={{ color: 'text.secondary', typography: 'note' }}>
        {changes.length === 0 ? 'Every making stays on its day.' : changes.join('; ')}
      </Box>
    </>
  );
}

/** What the parts of a change are called on the screen. */
const names: Readonly<Record<string, string>> = {
  loseDays: 'The days that you lose',
  helpers: 'The helper’s hours',
  boxes: 'The boxes, their number and their day',
  moulds: 'The number of moulds',
};

const fresh = { helperDay: '', helperHours: '', boxId: '', boxes: '', on: '', pieceId: '', moulds: '' };

interface Props {
  readonly plan: PlanSummary;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** A change that is tried before it is made: lost days, hired hands, more boxes, more moulds. What is typed outlives its closing. */
export function WhatIfDrawer({ plan, open, onClose }: Props) {
  const { season } = useSeasonBook();
  const [ask, { isLoading }] = useWhatIfMutation();
  const [accept, { isLoading: accepting }] = useAcceptWhatIfMutation();
  const [stop] = useStopPlanMutation();
  const { data: job } = usePlanJobQuery(undefined, { pollingInterval: isLoading ? POLL_MS : 0 });
  const [loseDays, setLoseDays] = useState<string[]>([]);
  const [typed, setTyped] = useState(fresh);
  const [tried, setTried] = useState<{ change: WhatIf; answer: WhatIfAnswer } | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const days = plan.days.filter(({ benchMinutes }) => benchMinutes > 0).map(({ day }) => day);
  const field = (name: keyof typeof fresh) => ({
    value: typed[name],
    onChange: ({ target }: { target: { value: string } }) => {
      setTyped({ ...typed, [name]: target.value });
      setTried(null);
    },
  });
  const change: WhatIf = {
    loseDays,
    helpers: typed.helperDay ? [{ day: typed.helperDay, hours: Number(typed.helperHours) }] : [],
    moulds: typed.pieceId ? [{ pieceId: typed.pieceId, count: Number(typed.moulds) }] : [],
    boxes: typed.boxId ? [{ boxId: typed.boxId, count: Number(typed.boxes), on: typed.on }] : [],
  };
  const empty = Object.values(change).every((list) => list.length === 0);
  const refuse = (error: unknown) => {
    const { message, wrong } = error as Refusal;
    setTrouble(
      [
        message,
        ...(wrong ?? []).map(({ path, message: why }) => `${names[/^\w+/.exec(path)?.[0] ?? ''] ?? path} ${why}.`),
      ].join(' '),
    );
  };
  // What is being tried is given up when its page goes.
  const asking = useRef<ReturnType<typeof ask> | null>(null);
  useEffect(() => () => asking.current?.abort(), []);
  const look = async () => {
    setTrouble(null);
    setTried(null);
    try {
      asking.current = ask(change);
      setTried({ change, answer: await asking.current.unwrap() });
    } catch (error) {
      refuse(error);
    }
  };
  const make = async () => {
    if (!tried) return;
    try {
      await accept(tried.change).unwrap();
      setLoseDays([]);
      setTyped(fresh);
      setTried(null);
      onClose();
    } catch (error) {
      refuse(error);
    }
  };
  return (
    <Drawer anchor="right" open={open} onClose={onClose}>
      <Box
        role="dialog"
        aria-label="What if"
        sx={{ width: { xs: '100vw', sm: 460 }, p: 2.5, display: 'grid', gap: 1.75, alignContent: 'start' }}
      >
        <Typography variant="h2">What if …</Typography>
        <Autocomplete
          multiple
          options={days}
          value={loseDays}
          getOptionLabel={sayDay}
          onChange={(_event, next) => {
            setLoseDays(next);
            setTried(null);
          }}
          renderInput={(props) => <TextField {...props} label="I lose these days" />}
        />
        <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 110px' }}>
          <TextField select label="Somebody helps on" {...field('helperDay')}>
            <MenuItem value="">nobody</MenuItem>
            {days.map((day) => (
              <MenuItem key={day} value={day}>
                {sayDay(day)}
              </MenuItem>
            ))}
          </TextField>
          <TextField label="Hours" {...field('helperHours')} />
        </Box>
        <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '90px 1fr 150px' }}>
          <TextField label="More" {...field('boxes')} />
          <TextField select label="Boxes" {...field('boxId')}>
            <MenuItem value="">none</MenuItem>
            {season?.data.boxes.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
          <TextField label="For" type="date" {...field('on')} slotProps={{ inputLabel: { shrink: true } }} />
        </Box>
        <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr 110px' }}>
          <TextField select label="More moulds for" {...field('pieceId')}>
            <MenuItem value="">none</MenuItem>
            {season?.data.pieces
              .filter(({ form }) => form.kind === 'moulded')
              .map(({ id, name }) => (
                <MenuItem key={id} value={id}>
                  {name}
                </MenuItem>
              ))}
          </TextField>
          <TextField label="How many" {...field('moulds')} />
        </Box>
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button variant={tried ? 'outlined' : 'contained'} disabled={empty || isLoading} onClick={() => void look()}>
            See what it does
          </Button>
          <Button onClick={onClose}>Close</Button>
        </Box>
        {isLoading && (
          <Running
            job={job?.kind === 'what-if' && job.state === 'running' ? job : null}
            currency={plan.currency}
            onStop={() => void stop()}
          />
        )}
        {trouble && <Alert severity="error">{trouble}</Alert>}
        {tried && <Compared answer={tried.answer} currency={plan.currency} />}
        {tried?.answer.after && (
          <div>
            <Button variant="contained" disabled={accepting} onClick={() => void make()}>
              Make it so
            </Button>
          </div>
        )}
      </Box>
    </Drawer>
  );
}
