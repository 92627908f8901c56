import { DndContext, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Paper from '@mui/material/Paper';
import Switch from '@mui/material/Switch';
import { benchDay } from '@usual-pantry/core/plan';
import { useMemo, useState } from 'react';
import type { PlanAnswer } from '../app/api';
import { FIGURES } from '../app/theme';
import { usePlanEdit } from '../parts/usePlanEdit';
import { useSeasonBook } from '../parts/useSeason';
import { Waiting } from '../parts/Waiting';
import { BenchRow, LABEL_WIDTH } from './BenchRow';
import { StripMenu, type Opened } from './StripMenu';

const MOST_HOURS = 12;

/** The days on which there are hands or work, each with its work in order. */
function useSheets(plan: PlanAnswer) {
  const { season, error, again } = useSeasonBook();
  const rows = useMemo(
    () =>
      season &&
      plan.days
        .filter(({ bookedMinutes, benchMinutes }) => bookedMinutes > 0 || benchMinutes > 0)
        .map((entry) => ({ entry, sheet: benchDay(plan, entry.day, season.book) })),
    [plan, season],
  );
  return { season, rows, error, again };
}

/** The bench sheet: a row a day, minutes to the right, strips of tape for hands, lines under them for what rests. */
export function BenchSheet({ plan }: { plan: PlanAnswer }) {
  const { season, rows, error, again } = useSheets(plan);
  const [opened, setOpened] = useState<Opened | null>(null);
  const [withEquipment, setWithEquipment] = useState(false);
  const { move } = usePlanEdit();
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  if (!season || !rows) return <Waiting error={error} again={again} />;
  const longest = Math.max(60, ...rows.map(({ entry, sheet }) => Math.max(entry.makerMinutes, sheet.spanMinutes)));
  const hours = Math.min(MOST_HOURS, Math.ceil(longest / 60));
  return (
    <DndContext
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        const { recipeId, from } = active.data.current as { recipeId: string | null; from: string };
        if (over && recipeId !== null) void move(recipeId, from, String(over.id));
      }}
    >
      <FormControlLabel
        label="Show burners, pans and tools"
        sx={{ mb: 1, displayPrint: 'none' }}
        control={
          <Switch
            checked={withEquipment}
            onChange={(_event, on) => {
              setWithEquipment(on);
            }}
          />
        }
      />
      <Paper variant="outlined" role="region" aria-label="Bench sheet" tabIndex={0} sx={{ overflowX: 'auto' }}>
        <Box sx={{ minWidth: 860 }}>
          <Box
            aria-hidden
            sx={{ position: 'relative', height: 22, ml: `${String(LABEL_WIDTH)}px`, fontFamily: FIGURES, fontSize: 12 }}
          >
            {Array.from({ length: hours }, (_, hour) => (
              <Box
                key={hour}
                sx={{
                  position: 'absolute',
                  left: `${String((hour * 100) / hours)}%`,
                  color: 'text.secondary',
                  pl: 0.5,
                }}
              >
                +{hour} h
              </Box>
            ))}
          </Box>
          {rows.map(({ entry, sheet }) => (
            <BenchRow
              key={entry.day}
              entry={entry}
              sheet={sheet}
              plan={plan}
              hours={hours}
              withEquipment={withEquipment}
              onOpen={(task, day, anchor) => {
                setOpened({ task, day, anchor });
              }}
            />
          ))}
        </Box>
      </Paper>
      {opened && (
        <StripMenu
          opened={opened}
          plan={plan}
          season={season}
          onClose={() => {
            setOpened(null);
          }}
        />
      )}
    </DndContext>
  );
}
