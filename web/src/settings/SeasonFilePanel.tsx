import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import LinearProgress from '@mui/material/LinearProgress';
import Link from '@mui/material/Link';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { sayCount } from '@usual-pantry/core/quantity';
import { useRef, useState } from 'react';
import { said } from '../data/notices';
import { useAppDispatch } from '../data/store';
import { Panel } from '../parts/Panel';
import { useCheckSeasonMutation, useImportSeasonMutation } from '../data/book';
import type { Refusal } from '../parts/refusal';
import type { SeasonCounts } from '@usual-pantry/core/api';
import { apiAt } from '../parts/kitchenAt';

const LIMIT_MB = 20;
const MOST_SHOWN = 50;

const sayCounts = (counts: SeasonCounts): string =>
  `${sayCount(counts.ingredients, 'ingredient')}, ${sayCount(counts.recipes, 'recipe')}, ${sayCount(counts.pieces, 'piece')}, ${sayCount(counts.boxes, 'box', 'boxes')}, ${sayCount(counts.orders, 'order')}`;

const failed = (message: string): Refusal => ({ code: 'failed', message });

/** The JSON in a chosen file, or why it cannot be read. */
async function readFile(file: File): Promise<{ json: unknown } | { refusal: Refusal }> {
  if (file.size > LIMIT_MB * 1024 * 1024)
    return {
      refusal: failed(`${file.name} is larger than the ${String(LIMIT_MB)} MB that can be taken. Nothing was changed.`),
    };
  try {
    return { json: JSON.parse(await file.text()) };
  } catch (error) {
    return {
      refusal: failed(`${file.name} is not well-formed JSON. Nothing was changed. ${(error as Error).message}`),
    };
  }
}

function Trouble({ refusal }: { refusal: Refusal }) {
  const { message, wrong = [] } = refusal;
  return (
    <Alert severity="error" sx={{ mt: 1.5 }}>
      {message}
      {wrong.length > 0 && (
        <Box component="ul" sx={{ pl: 2.5, my: 0.5, maxHeight: 260, overflow: 'auto' }}>
          {wrong.slice(0, MOST_SHOWN).map((each) => (
            <li key={`${each.path} ${each.message}`}>
              <code>{each.path}</code>: {each.message}
            </li>
          ))}
          {wrong.length > MOST_SHOWN && <li>and {wrong.length - MOST_SHOWN} more</li>}
        </Box>
      )}
    </Alert>
  );
}

/** Everything in one file: out, and in after a look at what it holds. */
export function SeasonFilePanel() {
  const dispatch = useAppDispatch();
  const input = useRef<HTMLInputElement>(null);
  const [check] = useCheckSeasonMutation();
  const [store, { isLoading }] = useImportSeasonMutation();
  const [chosen, setChosen] = useState<{ json: unknown; counts: SeasonCounts } | null>(null);
  const [move, setMove] = useState(false);
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [checking, setChecking] = useState(false);

  const choose = async (file: File) => {
    setRefusal(null);
    setChecking(true);
    const read = await readFile(file);
    if ('refusal' in read) setRefusal(read.refusal);
    else
      try {
        setChosen({ json: read.json, counts: await check(read.json).unwrap() });
      } catch (error) {
        setRefusal(error as Refusal);
      }
    setChecking(false);
  };
  const replace = async () => {
    if (!chosen) return;
    try {
      const counts = await store({ file: chosen.json, dates: move ? 'move' : 'keep' }).unwrap();
      dispatch(said({ text: `Imported: ${sayCounts(counts)}.` }));
    } catch (error) {
      setRefusal(error as Refusal);
    }
    setChosen(null);
  };
  const close = () => {
    setChosen(null);
  };
  return (
    <Panel title="Season file" place="season-file">
      <Typography sx={{ mb: 1.5 }}>
        Everything that is kept, in one JSON file; its form is described by{' '}
        <Link href={apiAt('/season-file/schema')} target="_blank" rel="noopener">
          a JSON Schema
        </Link>
        .
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <Button variant="outlined" component="a" href={apiAt('/season-file')} download>
          Save a season file
        </Button>
        <Button variant="outlined" onClick={() => input.current?.click()}>
          Open a season file
        </Button>
        <input
          ref={input}
          type="file"
          accept="application/json,.json"
          hidden
          aria-label="Season file"
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) void choose(file);
          }}
        />
      </Box>
      {checking && <LinearProgress sx={{ mt: 1.5 }} aria-label="Reading the file" />}
      {refusal && <Trouble refusal={refusal} />}
      <Dialog open={chosen !== null} onClose={close} aria-labelledby="import-title">
        <DialogTitle id="import-title">Replace everything by this file?</DialogTitle>
        <DialogContent>
          <p>It holds {chosen && sayCounts(chosen.counts)}.</p>
          <p>What is here now is kept as a backup first: it can be put back.</p>
          <FormControlLabel
            control={
              <Switch
                checked={move}
                onChange={(_event, on) => {
                  setMove(on);
                }}
              />
            }
            label="Move its dates by whole weeks, so that the season lies ahead"
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={close}>Keep what is here</Button>
          <Button variant="contained" color="error" loading={isLoading} onClick={() => void replace()}>
            Replace everything
          </Button>
        </DialogActions>
      </Dialog>
    </Panel>
  );
}
