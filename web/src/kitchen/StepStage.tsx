import { mdiAlertOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { sayExact, sayGrams, sayMinutes, sayTemperature } from '@usual-pantry/core/quantity';
import type { NumberKind, StepTarget } from '@usual-pantry/core/recipe';
import { Icon } from '../parts/Icon';
import { FIGURES } from '../parts/theme';
import { BigButton } from './BigButton';
import { CookPanel } from './CookPanel';
import { Gate } from './Gate';
import { Ideas } from './Ideas';
import { BenchPanel, sideBySide, stack } from './looks';
import { Notes } from './Notes';
import { StartTimer } from './Timers';
import { TemperPanel } from './TemperPanel';
import type { Bench } from './useBench';
import type { Readings } from './useReadings';
import type { Cook } from './cook';

const kinds: Readonly<Record<NumberKind, string>> = {
  limit: 'a limit: never past it',
  target: 'a target',
  window: 'a window',
  minimum: 'a minimum',
  habit: 'a habit',
  guess: 'a guess',
};

const sayRange = ([from, to]: StepTarget['here']): string => sayTemperature(to === null ? from : [from, to]);

/** What it must come to here, the recipe's own beside, and what kind of number that is. */
function Target({ bench }: { bench: Bench }) {
  const { target, step } = bench.stage;
  if (!target || !step?.target) return null;
  const { carryOverKelvin, reactionSeconds } = bench.season.data.kitchen.atBench;
  return (
    <Box sx={{ typography: 'large' }}>
      <Box component="span" sx={{ fontFamily: FIGURES, fontWeight: 700, color: 'hot.main', typography: 'title' }}>
        {sayRange(target.here)}
      </Box>{' '}
      on your thermometer, {kinds[step.target.kind]}
      {target.stage && `, ${target.stage}`}; recipe: {sayRange(target.recipe)}
      {step.target.boils && ' at sea level'}
      {bench.stage.cooks &&
        `. The alarm comes ${String(carryOverKelvin)} K and ${String(reactionSeconds)} s before: the pot goes on by itself.`}
    </Box>
  );
}

/** What to judge by, and what to beware of. */
function Judging({ bench }: { bench: Bench }) {
  const { step, coldWater, cautions } = bench.stage;
  if (!step) return null;
  const { doneWhen, ifWrong } = step;
  if (!doneWhen && !coldWater && cautions.length === 0 && !ifWrong) return null;
  return (
    <BenchPanel label="Judging">
      {doneWhen && (
        <div>
          <b>Done when</b> {doneWhen}
        </div>
      )}
      {coldWater && (
        <div>
          <b>In cold water</b> a drop {coldWater}
        </div>
      )}
      {cautions.map((caution) => (
        <Box key={caution} sx={{ display: 'flex', gap: 1, borderLeft: 8, borderColor: 'warning.light', pl: 1.5 }}>
          <Icon path={mdiAlertOutline} sx={{ color: 'warning.main', flex: 'none', mt: 0.25 }} />
          <span>{caution}</span>
        </Box>
      ))}
      {ifWrong && (
        <Box component="details">
          <Box component="summary" sx={{ minHeight: 40, cursor: 'pointer', fontWeight: 650 }}>
            If it goes wrong
          </Box>
          {ifWrong}
        </Box>
      )}
    </BenchPanel>
  );
}

/** What goes in at this step, and whether it is weighed. */
function GoesIn({ bench, cook }: { bench: Bench; cook: Cook | null }) {
  const { stage, sheet, happen } = bench;
  if (stage.lines.length === 0 || stage.stage === 1) return null;
  const lines = stage.lines.flatMap((index) => sheet.lines.find((each) => each.line === index) ?? []);
  return (
    <BenchPanel label="Goes in">
      <b>Goes in</b>
      {lines.map((line) => (
        <Box key={line.line} sx={{ display: 'flex', justifyContent: 'space-between', gap: 2 }}>
          <span>{line.name}</span>
          <Box component="span" sx={{ fontFamily: FIGURES, color: line.weighed ? 'success.main' : undefined }}>
            {line.weighed ? `✓ ${sayExact(line.weighed.grams)} g` : sayGrams(line.wanted)}
          </Box>
        </Box>
      ))}
      <BigButton
        onClick={() => {
          happen(
            {
              kind: 'note',
              note: 'something went in',
              text: lines
                .map(({ name }) => name)
                .join(', ')
                .slice(0, 500),
              celsius: cook?.shows ?? null,
              stage: stage.stage,
            },
            cook?.at(),
          );
        }}
      >
        It is in
      </BigButton>
    </BenchPanel>
  );
}

/** How long it rests, with a timer for the usual and for the safe figure. */
function Rest({ bench, now }: { bench: Bench; now: number }) {
  const { rest, step } = bench.stage;
  if (!rest || !step) return null;
  const { typicalMinutes, safeMinutes, nights } = rest;
  if (nights > 0)
    return (
      <Typography sx={{ typography: 'large' }}>
        It rests over {nights === 1 ? 'night' : `${String(nights)} nights`}: the plan goes on with it on the next bench
        day. End this batch when its hands are done.
      </Typography>
    );
  const name = step.text.split(/[.;,]/)[0] ?? step.text;
  return (
    <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'repeat(auto-fit, minmax(220px, 1fr))' }}>
      {typicalMinutes > 0 && (
        <StartTimer
          bench={bench}
          name={name}
          minutes={typicalMinutes}
          now={now}
          says={`Usual ${sayMinutes(typicalMinutes)}`}
        />
      )}
      {safeMinutes > typicalMinutes && (
        <StartTimer
          bench={bench}
          name={name}
          minutes={safeMinutes}
          now={now}
          says={`Safe ${sayMinutes(safeMinutes)}`}
        />
      )}
      <Ideas />
    </Box>
  );
}

/** Timers that a maker wants at any step, minutes. */
const OFTEN = [1, 5, 10] as const;

interface StepStageProps {
  readonly bench: Bench;
  readonly cook: Cook | null;
  readonly readings: Readings;
  readonly now: number;
}

/** One step, big. */
export function StepStage({ bench, cook, readings, now }: StepStageProps) {
  const { stage } = bench;
  if (!stage.step) return null;
  return (
    <Box sx={sideBySide}>
      <Box sx={stack}>
        <Typography
          variant="h1"
          sx={{ fontSize: { xs: cook ? '1.3rem' : '1.6rem', md: '2.2rem' }, textWrap: 'pretty' }}
        >
          {stage.step.text}
        </Typography>
        {cook && <CookPanel bench={bench} cook={cook} />}
        <Target bench={bench} />
        {stage.tempers && <TemperPanel bench={bench} readings={readings} />}
        <Gate bench={bench} readings={readings} />
        <GoesIn bench={bench} cook={cook} />
        <Rest bench={bench} now={now} />
      </Box>
      <Box sx={stack}>
        <Judging bench={bench} />
        <Notes bench={bench} cook={cook} />
        <Box sx={{ display: 'grid', gap: 1.25, gridTemplateColumns: 'repeat(3, 1fr)' }}>
          {OFTEN.map((minutes) => (
            <StartTimer
              key={minutes}
              bench={bench}
              name={`${String(minutes)} min`}
              minutes={minutes}
              now={now}
              says={`${String(minutes)} min`}
            />
          ))}
        </Box>
      </Box>
    </Box>
  );
}
