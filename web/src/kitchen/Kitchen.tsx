import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { MakingAnswer } from '@usual-pantry/core/api';
import { benchDay, sayBenchTime } from '@usual-pantry/core/bench-day';
import { timerAt } from '@usual-pantry/core/making';
import { sayCount, sayExact, sayMinutes, sayShortDay } from '@usual-pantry/core/quantity';
import { allowedSize, leastSize, mostSize, sayBatches, type Sized } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { useMakingsQuery, usePutAwayMakingMutation } from '../data/makings';
import { usePlanQuery, usePlanRunsQuery } from '../data/plan';
import { useSeasonBook } from '../data/useSeason';
import { useStartBatch } from '../data/useStartBatch';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Empty, Panel } from '../parts/Panel';
import { Tape } from '../parts/Tape';
import { Waiting } from '../parts/Waiting';
import { readNumber } from '../parts/readNumber';
import { BigButton } from './BigButton';
import { BigNumberField } from './BigNumberField';
import { sideBySide, stack } from './looks';
import { Ideas } from './Ideas';
import { useRing } from './ring';
import { RoomToday } from './RoomToday';
import { sayAt } from './sayTimes';
import { useBench } from './useBench';
import { useNow } from './useNow';
import { whoseTurn } from './whoseTurn';

/** A batch that is being made: where it stands, and the way back to it. */
function OpenBatch({ id, now }: { id: string; now: number }) {
  const { bench } = useBench(id);
  const [putAway] = usePutAwayMakingMutation();
  const [isSure, setIsSure] = useState(false);
  const ringing = bench?.state.timers.find((timer) => timerAt(timer, now).rings);
  useRing(bench && ringing ? `${bench.facts.recipe.name}: ${ringing.name} is ready` : null);
  if (!bench) return null;
  const { facts, making, size } = bench;
  const { says, wants } = whoseTurn(bench, now);
  const name = facts.recipe.name;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: '1fr auto' },
        gap: 1,
        alignItems: 'center',
        py: 0.75,
      }}
    >
      <Tape
        to={`/kitchen/batch/${id}`}
        name={name}
        code={`${sayBatches([{ size, count: 1 }])} · begun ${sayAt(Date.parse(making.startedAt))} · ${wants ? 'wants you' : ''} ${says}`}
      />
      {isSure ? (
        <Box sx={{ display: 'flex', gap: 1 }}>
          <BigButton color="error" onClick={() => void putAway(id)}>
            Put away: it was not made
          </BigButton>
          <BigButton
            onClick={() => {
              setIsSure(false);
            }}
          >
            Keep it
          </BigButton>
        </Box>
      ) : (
        <BigButton
          variant="text"
          aria-label={`Put ${name} away`}
          onClick={() => {
            setIsSure(true);
          }}
        >
          Put away
        </BigButton>
      )}
    </Box>
  );
}

/** What the plan says is to be made next, each with the way to begin it. */
function FromThePlan() {
  const { data: work } = usePlanRunsQuery();
  const { data: plan } = usePlanQuery();
  const { season, error, again } = useSeasonBook();
  const { begin, isStarting } = useStartBatch();
  if (!work || !plan || !season) return <Waiting error={error} again={again} />;
  const day = work.runs
    .map((run) => run.day)
    .filter((each) => each >= plan.today)
    .sort()[0];
  if (day === undefined) return <Typography>Nothing more is to be made this season.</Typography>;
  const sheet = benchDay(work, day, season.book);
  const placeOf = (recipeId: string) =>
    sheet.tasks.findIndex((each) => each.recipeId === recipeId && each.begun === day);
  const runs = work.runs.filter((run) => run.day === day).sort((a, b) => placeOf(a.recipeId) - placeOf(b.recipeId));
  const beginsAt = (recipeId: string) => {
    const task = sheet.tasks[placeOf(recipeId)];
    return task ? `${sayBenchTime(sheet, task.from)} · ` : '';
  };
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h3">{day === plan.today ? 'Today' : sayShortDay(day)}</Typography>
      {runs.map((run) => (
        <Box key={run.recipeId} sx={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 1, alignItems: 'center' }}>
          <Tape
            to={`/recipes/${run.recipeId}`}
            name={run.recipeName}
            code={`${beginsAt(run.recipeId)}${sayBatches(run.batches)} · ${sayMinutes(run.handsMinutes)} of hands`}
          />
          <BigButton
            disabled={isStarting}
            aria-label={`Make ${run.recipeName}`}
            onClick={() => void begin(run.recipeId, run.batches[0]?.size ?? 1, plan.today)}
          >
            Make it
          </BigButton>
        </Box>
      ))}
      <Ideas />
    </Box>
  );
}

interface SizeFieldProps {
  readonly sized: Sized;
  readonly disabled: boolean;
  readonly onBegin: (size: number) => void;
}

/** How much of the base batch is made, where any size will do. */
function SizeField({ sized, disabled, onBegin }: SizeFieldProps) {
  const [typed, setTyped] = useState('1');
  const [trouble, setTrouble] = useState<string | null>(null);
  const begin = () => {
    const size = allowedSize(sized, readNumber(typed));
    if (size === null)
      setTrouble(
        `It is made in any size from ${sayExact(leastSize(sized))} to ${sayExact(mostSize(sized))} of a batch.`,
      );
    else onBegin(size);
  };
  return (
    <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: '1fr auto', alignItems: 'end' }}>
      <BigNumberField label="How much of a batch" unit="×" value={typed} onChange={setTyped} onEnter={begin} />
      <BigButton disabled={disabled} onClick={begin}>
        Begin it
      </BigButton>
      {trouble !== null && (
        <Box role="alert" sx={{ gridColumn: '1 / -1', color: 'error.main' }}>
          {trouble}
        </Box>
      )}
    </Box>
  );
}

/** Any other recipe, at one of its sizes. */
function AnyRecipe() {
  const { season, error, again } = useSeasonBook();
  const { data: plan } = usePlanQuery();
  const { begin, isStarting } = useStartBatch();
  const [recipeId, setRecipeId] = useState<string | null>(null);
  if (!season || !plan) return <Waiting error={error} again={again} />;
  const recipes = [...season.book.recipes.values()]
    .map(({ recipe }) => recipe)
    .sort((a, b) => a.name.localeCompare(b.name));
  const chosen = recipes.find(({ id }) => id === recipeId);
  return (
    <Box sx={{ display: 'grid', gap: 1 }}>
      <Autocomplete
        options={recipes.map(({ id }) => id)}
        value={recipeId}
        getOptionLabel={(id) => recipes.find((each) => each.id === id)?.name ?? id}
        onChange={(_event, id) => {
          setRecipeId(id);
        }}
        renderInput={(params) => <TextField {...params} size="medium" label="Recipe" />}
      />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {(chosen?.anySize ? [] : (chosen?.batchSizes ?? [])).map((size) => (
          <BigButton key={size} disabled={isStarting} onClick={() => void begin(chosen?.id ?? '', size, plan.today)}>
            {sayBatches([{ size, count: 1 }])}
          </BigButton>
        ))}
      </Box>
      {chosen?.anySize && (
        <SizeField
          key={chosen.id}
          sized={season.book.writtenSizes.get(chosen.id) ?? chosen}
          disabled={isStarting}
          onBegin={(size) => void begin(chosen.id, size, plan.today)}
        />
      )}
    </Box>
  );
}

/** A batch that is over, with the way to all that was kept of it. */
function Lately({ making }: { making: MakingAnswer }) {
  const { season } = useSeasonBook();
  const name = season?.book.recipes.get(making.recipeId)?.recipe.name ?? making.recipeId;
  return (
    <Link component={RouterLink} to={`/kitchen/made/${making.id}`} sx={{ display: 'block', py: 0.75 }}>
      {name}, {sayShortDay(making.on)}
    </Link>
  );
}

/** What is being made, what comes next, and practice. */
export function Kitchen() {
  const { data: makings, error, refetch } = useMakingsQuery();
  const now = useNow(1_000);
  if (!makings) return <Waiting error={error} again={refetch} />;
  const open = makings.filter(({ state }) => state === 'open');
  const over = makings.filter(({ state }) => state === 'ended');
  return (
    <>
      <AnswerLine>
        {open.length === 0 ? (
          'Nothing is being made. Begin a batch, or practise.'
        ) : (
          <>
            <Mark tone="hot">{sayCount(open.length, 'batch', 'batches')}</Mark> at the bench.
          </>
        )}
      </AnswerLine>
      <RoomToday />
      <Box sx={sideBySide}>
        <Box sx={stack}>
          {open.length > 0 && (
            <Panel title="Being made">
              {open.map(({ id }) => (
                <OpenBatch key={id} id={id} now={now} />
              ))}
            </Panel>
          )}
          <Panel title="From the plan">
            <FromThePlan />
          </Panel>
        </Box>
        <Box sx={stack}>
          <Panel title="Anything else">
            <AnyRecipe />
          </Panel>
          {over.length > 0 && (
            <Panel title="Made lately">
              {over.map((making) => (
                <Lately key={making.id} making={making} />
              ))}
            </Panel>
          )}
          <Panel title="Practice">
            <Empty
              title="A simulated pot, as fast as you like"
              action={
                <BigButton component={RouterLink} to="/kitchen/practice" variant="contained">
                  To practice
                </BigButton>
              }
            >
              Nothing of it touches stock, plan or log.
            </Empty>
          </Panel>
        </Box>
      </Box>
    </>
  );
}
