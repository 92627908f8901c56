import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { boxDraftSchema, type BoxDraft } from '@usual-pantry/core/box';
import type { Aim, Composition } from '@usual-pantry/core/compose';
import { sayCount, sayList, sayMinutes, sayMoney } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useFormContext } from 'react-hook-form';
import { sayPercent } from '../parts/words';
import type { SeasonBook } from '../data/useSeason';
import { WithoutPicker } from './WithoutPicker';
import { useComposeMutation } from '../data/boxes';
import type { Refusal } from '../parts/refusal';

const aims: Record<Aim, string> = {
  cost: 'The cheapest',
  variety: 'The most varied',
  'bench time': 'The quickest to make',
};

const fresh = { leastKinds: '5', mostOfOne: '4', leastMarginPercent: '30', boxes: '10' };
const numbers = {
  leastKinds: 'Kinds at least',
  mostOfOne: 'Of one kind at most',
  leastMarginPercent: 'Margin at least, %',
  boxes: 'Boxes to make',
} as const;

/** Boxes for a price, a size and what is ruled out, each the best at something; one is taken into the tray. */
export function ComposeForMe({ season }: { season: SeasonBook }) {
  const { getValues, setValue } = useFormContext<BoxDraft>();
  const [compose, { isLoading }] = useComposeMutation();
  const [typed, setTyped] = useState(fresh);
  const [without, setWithout] = useState<string[]>([]);
  const [spare, setSpare] = useState(false);
  const [found, setFound] = useState<Composition | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const money = (minor: number) => sayMoney(minor, season.data.kitchen.currency);
  const nameOf = (id: string) => season.book.pieces.get(id)?.piece.name ?? id;

  const ask = async (traces = false) => {
    setTrouble(null);
    setFound(null);
    const values = getValues();
    // Only size, price and packaging matter here: what is not yet named may stay so.
    const box = boxDraftSchema.safeParse({ ...values, name: values.name || 'Box', foodName: values.foodName || 'Box' });
    if (!box.success) {
      setTrouble(box.error.issues.map(({ path, message }) => `${path.join(' ')} ${message}`).join('; '));
      return;
    }
    const wish = Object.fromEntries(Object.entries(typed).map(([key, text]) => [key, Number(text)]));
    try {
      setFound(
        await compose({
          ...(wish as Record<keyof typeof fresh, number>),
          box: box.data,
          without,
          traces,
          withinSpareTime: spare,
        }).unwrap(),
      );
    } catch (error) {
      const { message, wrong } = error as Refusal;
      setTrouble([message, ...(wrong ?? []).map((each) => `${each.path} ${each.message}.`)].join(' '));
    }
  };

  return (
    <Box sx={{ display: 'grid', gap: 1.5 }}>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(140px, 1fr))' }}>
        {Object.entries(numbers).map(([key, label]) => (
          <TextField
            key={key}
            label={label}
            value={typed[key as keyof typeof fresh]}
            onChange={({ target }) => {
              setTyped({ ...typed, [key]: target.value });
            }}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          />
        ))}
      </Box>
      <WithoutPicker label="Nothing with" book={season.book} value={without} onChange={setWithout} />
      <FormControlLabel
        control={
          <Checkbox
            checked={spare}
            onChange={(_event, checked) => {
              setSpare(checked);
            }}
          />
        }
        label="In the bench time that the season has to spare"
      />
      <div>
        <Button variant="contained" disabled={isLoading} onClick={() => void ask()}>
          {isLoading ? 'Looking…' : 'Compose for me'}
        </Button>
      </div>
      {trouble && <Alert severity="error">{trouble}</Alert>}
      {found && found.traces.length > 0 && (
        <Alert
          severity="warning"
          action={
            <Button color="inherit" size="small" onClick={() => void ask(true)}>
              Use them all the same
            </Button>
          }
        >
          Not used, because their suppliers say that they may contain traces of it: {sayList(found.traces.map(nameOf))}.
        </Alert>
      )}
      {found?.clash.length ? (
        <Alert severity="warning">
          No box keeps all of this together. Give way on one:
          <ul style={{ margin: 0, paddingLeft: 20 }}>
            {found.clash.map((wish) => (
              <li key={wish}>{wish}</li>
            ))}
          </ul>
        </Alert>
      ) : null}
      {found && found.proposals.length > 0 && (
        <Box
          component="ul"
          aria-label="Proposals"
          sx={{
            m: 0,
            p: 0,
            listStyle: 'none',
            display: 'grid',
            gap: 1.25,
            gridTemplateColumns: 'repeat(auto-fit, minmax(240px, 1fr))',
          }}
        >
          {found.proposals.map((proposal) => (
            <Paper key={proposal.aim} component="li" variant="outlined" sx={{ p: 1.5, display: 'grid', gap: 0.75 }}>
              <Typography variant="h3">{aims[proposal.aim]}</Typography>
              <Box sx={{ fontWeight: 650 }}>
                {money(proposal.costMinor)} · {sayPercent(proposal.marginPercent)} margin ·{' '}
                {sayMinutes(proposal.handsMinutes)}
              </Box>
              <Box>
                {proposal.pieces.map(({ pieceId, count }) => `${String(count)} × ${nameOf(pieceId)}`).join(', ')}
              </Box>
              <Box sx={{ color: 'text.secondary', typography: 'note' }}>
                {proposal.why[0]} {sayCount(proposal.kinds, 'kind')}.
              </Box>
              <div>
                <Button
                  size="small"
                  variant="outlined"
                  onClick={() => {
                    setValue('cells', proposal.cells, { shouldDirty: true, shouldValidate: true });
                  }}
                >
                  Put it in the tray
                </Button>
              </div>
            </Paper>
          ))}
        </Box>
      )}
    </Box>
  );
}
