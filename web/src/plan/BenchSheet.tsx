import { DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import Switch from '@mui/material/Switch';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { benchDay } from '@usual-pantry/core/bench-day';
import type { PlanRuns, PlanSummary } from '@usual-pantry/core/api';
import { addDays } from '@usual-pantry/core/quantity';
import { useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { usePlanEdit } from '../data/usePlanEdit';
import { useSeasonBook } from '../data/useSeason';
import { useLabelRunsQuery, usePlanRunsQuery } from '../data/plan';
import { Waiting } from '../parts/Waiting';
import { BenchRow } from './BenchRow';
import type { Dragged } from './BenchStrip';
import { StageMenu } from './StageMenu';
import { StripMenu, type Opened } from './StripMenu';

const MOST_HOURS = 12;

const WEEK = 7;

/** The days on which there are hands or work, each with its work in order. */
function useSheets(work: PlanRuns | undefined, today: string, weekOnly: boolean) {
  const { season, error, again } = useSeasonBook();
  const rows = useMemo(
    () =>
      season && work
        ? work.days
            .filter(({ bookedMinutes, benchMinutes }) => bookedMinutes > 0 || benchMinutes > 0)
            .filter(({ day }) => !weekOnly || day < addDays(today, WEEK))
            .map((entry) => ({ entry, sheet: benchDay(work, entry.day, season.book) }))
        : null,
    [work, today, season, weekOnly],
  );
  return { season, rows, error, again };
}

/** The bench sheet: a row a day, minutes to the right, strips of tape for hands, lines under them for what rests. */
export function BenchSheet({ plan: { today } }: { plan: PlanSummary }) {
  const [search, setSearch] = useSearchParams();
  const weekOnly = search.get('days') === 'week';
  const { data: work, error: noWork } = usePlanRunsQuery();
  const { data: labels = [] } = useLabelRunsQuery();
  const { season, rows, error, again } = useSheets(work, today, weekOnly);
  const [opened, setOpened] = useState<Opened | null>(null);
  const [withEquipment, setWithEquipment] = useState(false);
  const { move, moveStage } = usePlanEdit();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  if (!season || !work || !rows) return <Waiting error={error ?? noWork} again={again} />;
  const longest = Math.max(60, ...rows.map(({ entry, sheet }) => Math.max(entry.makerMinutes, sheet.spanMinutes)));
  const hours = Math.min(MOST_HOURS, Math.ceil(longest / 60));
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        const { task, from } = active.data.current as Dragged;
        if (!over) return;
        const to = String(over.id);
        if (task.recipeId !== null) void move(task.recipeId, from, to);
        else if (task.pieceId !== null && task.stage !== null)
          void moveStage(task.name, { pieceId: task.pieceId, stage: task.stage, from, to, handOver: null });
      }}
    >
      <Box sx={{ display: 'flex', gap: 2, mb: 1, flexWrap: 'wrap', displayPrint: 'none' }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Days of the sheet"
          value={weekOnly ? 'week' : 'season'}
          onChange={(_event, picked: 'week' | 'season' | null) => {
            if (picked) setSearch(picked === 'week' ? { days: 'week' } : {}, { replace: true });
          }}
        >
          <ToggleButton value="season">Whole season</ToggleButton>
          <ToggleButton value="week">Next seven days</ToggleButton>
        </ToggleButtonGroup>
        <FormControlLabel
          label="Show burners, pans and tools"
          control={
            <Switch
              checked={withEquipment}
              onChange={(_event, on) => {
                setWithEquipment(on);
              }}
            />
          }
        />
      </Box>
      <Paper variant="outlined" role="region" aria-label="Bench sheet" tabIndex={0} sx={{ overflowX: 'auto' }}>
        <Box sx={{ minWidth: 860 }}>
          {rows.map(({ entry, sheet }) => (
            <BenchRow
              key={entry.day}
              entry={entry}
              sheet={sheet}
              plan={work}
              labels={labels}
              hours={hours}
              withEquipment={withEquipment}
              onOpen={(task, day, anchor) => {
                setOpened({ task, day, anchor });
              }}
            />
          ))}
        </Box>
      </Paper>
      {opened && opened.task.pieceId !== null && (
        <StageMenu
          opened={opened}
          plan={work}
          today={today}
          season={season}
          onClose={() => {
            setOpened(null);
          }}
        />
      )}
      {opened && opened.task.recipeId !== null && (
        <StripMenu
          opened={opened}
          plan={work}
          today={today}
          season={season}
          onClose={() => {
            setOpened(null);
          }}
        />
      )}
    </DndContext>
  );
}
