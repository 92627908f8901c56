import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import type { BoxFacts } from '@usual-pantry/core/box';
import { declaredGrams, ENOUGH_BOXES, judgeWeights, type WeighingVerdict } from '@usual-pantry/core/label';
import { sayCount, sayNumber } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { Line } from 'react-chartjs-2';
import { useTakeWeightMutation, useWeighingsQuery, useWeighMutation } from '../data/labels';
import { useDevices } from '../kitchen/useDevices';
import { painted } from '../parts/charts';
import { isExample } from '../parts/kitchenAt';
import { Folded } from '../parts/Panel';
import { readNumber, sayTyped } from '../parts/readNumber';
import type { Refusal } from '../parts/refusal';

const grams = (value: number): string => `${sayNumber(value, 1)} g`;

/** What the weights come to, in a sentence, and what to change. */
function sayVerdict(found: WeighingVerdict, declared: number): string {
  const mean = `The mean of ${sayCount(found.count, 'box', 'boxes')} is ${grams(found.meanGrams)}`;
  switch (found.verdict) {
    case 'right':
      return `${mean}: not under the ${grams(declared)} of the label, and none is short by more than ${grams(found.toleranceGrams)}.`;
    case 'too few':
      return `${mean}: right so far, but that is too few to tell. Weigh ${String(ENOUGH_BOXES)}.`;
    case 'mean too low':
      return `${mean}, under the ${grams(declared)} of the label. Put ${grams(found.addGrams)} more in each, or declare ${grams(Math.floor(found.meanGrams))}.`;
    case 'too many short':
      return `${mean}, but ${sayCount(found.short.length, 'box is', 'boxes are')} short by more than ${grams(found.toleranceGrams)}. Fill those up.`;
    case 'one far too short':
      return `${sayCount(found.farTooShort.length, 'box is', 'boxes are')} short by more than twice ${grams(found.toleranceGrams)}: not to be sold like that.`;
  }
}

function RunChart({
  weights,
  declared,
  tolerance,
}: {
  weights: readonly number[];
  declared: number;
  tolerance: number;
}) {
  const flat = (value: number) => weights.map(() => value);
  const colour = painted('primary-main');
  return (
    <Box sx={{ height: 180 }}>
      <Line
        role="img"
        aria-label={`Weights in the order of weighing: ${weights.map(grams).join(', ')}`}
        data={{
          labels: weights.map((_each, index) => String(index + 1)),
          datasets: [
            { label: 'Net weight, g', data: [...weights], borderColor: colour, backgroundColor: colour },
            { label: 'Declared', data: flat(declared), borderColor: painted('hot-main'), pointRadius: 0 },
            { label: 'Least of one box', data: flat(declared - tolerance), borderColor: painted('error-main'), borderDash: [5, 4], pointRadius: 0 }, // prettier-ignore
          ],
        }}
        options={{ maintainAspectRatio: false, animation: false }}
      />
    </Box>
  );
}

/** Boxes weighed one after another, and whether they hold what the label says. */
export function WeighingPanel({ facts, isOpen }: { facts: BoxFacts; isOpen: boolean }) {
  const { box } = facts;
  const { data: kept } = useWeighingsQuery(box.id);
  // A weight of a scale that is not there is no weight: only the example has one, or where it was switched on by name.
  const isSimulated = useDevices().devices.scale === 'simulated' || isExample;
  const [typed, setTyped] = useState('');
  const [scale] = useTakeWeightMutation();
  const [weigh, { error, isLoading }] = useWeighMutation();
  const declared = declaredGrams(facts);
  const words = typed.split(/[\s;]+/).filter(Boolean);
  const weights = words.map(readNumber);
  const wrong = words.filter((_word, index) => !(Number(weights[index]) > 0));
  const isRight = wrong.length === 0 && weights.length > 0 && declared > 0;
  const found = isRight ? judgeWeights(declared, weights) : null;
  const [last] = kept ?? [];
  const judged = last ? judgeWeights(last.declaredGrams, last.weights) : null;
  const take = async () => {
    const { grams: weighed } = await scale(declared).unwrap();
    setTyped((before) => `${before} ${sayTyped(weighed)}`.trim());
  };
  const store = async () => {
    await weigh({ boxId: box.id, declaredGrams: declared, weights: weights }).unwrap();
    setTyped('');
  };
  return (
    <Folded title="Weigh boxes" isOpen={isOpen}>
      <Box sx={{ display: 'grid', gap: 1.5 }}>
        <TextField
          label="Net weights, g"
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
          }}
          error={wrong.length > 0}
          helperText={
            wrong.length > 0
              ? `“${wrong[0] ?? ''}” is no weight.`
              : `Declared ${grams(declared)}, from the pieces. One after another, with blanks between.`
          }
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        {found && (
          <Alert
            severity={found.verdict === 'right' ? 'success' : found.verdict === 'too few' ? 'info' : 'error'}
            role="status"
          >
            {sayVerdict(found, declared)} Spread {grams(found.spreadGrams)}, least {grams(found.leastGrams)}.
          </Alert>
        )}
        {found && <RunChart weights={weights} declared={declared} tolerance={found.toleranceGrams} />}
        {error && <Alert severity="error">{(error as Refusal).message}</Alert>}
        <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
          {isSimulated && (
            <Button disabled={declared <= 0} onClick={() => void take()}>
              Take from the simulated scale
            </Button>
          )}
          <Button variant="outlined" disabled={!isRight || isLoading} onClick={() => void store()}>
            Keep these weights
          </Button>
        </Box>
        {last && judged && (
          <Box sx={{ typography: 'note', color: 'text.secondary' }}>
            Last kept: {sayVerdict(judged, last.declaredGrams)} ({last.weights.map(grams).join(', ')})
          </Box>
        )}
        <Box sx={{ typography: 'note', color: 'text.secondary' }}>
          The scale is simulated as long as none is connected. An estimate from a sample by the European rule for the
          mean and the tolerable errors; your authority may ask for another.
        </Box>
      </Box>
    </Folded>
  );
}
