import Box from '@mui/material/Box';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { whyNotTo } from '@usual-pantry/core/plan';
import type { PlanRuns } from '@usual-pantry/core/api';
import type { BenchTask } from '@usual-pantry/core/bench-day';
import { sayDay, sayMinutes } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import MadeForm from '../batches/MadeForm';
import { usePlanEdit } from '../data/usePlanEdit';
import type { SeasonBook } from '../data/useSeason';
import { useStartBatch } from '../data/useStartBatch';

/** The strip whose menu is open. */
export interface Opened {
  readonly task: BenchTask;
  readonly day: string;
  readonly anchor: HTMLElement;
}

export interface StripMenuProps {
  readonly opened: Opened;
  readonly plan: PlanRuns;
  readonly today: string;
  readonly season: SeasonBook;
  readonly onClose: () => void;
}

/** What can be done with a run: move it, pin it, open its recipe. Days on which it cannot be say why. */
export function StripMenu({ opened, plan, today, season, onClose }: StripMenuProps) {
  const { move, pin } = usePlanEdit();
  const { begin } = useStartBatch();
  const navigate = useNavigate();
  const [saying, setSaying] = useState(false);
  const { task, day, anchor } = opened;
  const { recipeId } = task;
  if (recipeId === null) return null;
  const run = plan.runs.find((each) => each.recipeId === recipeId && each.day === day);
  const facts = season.book.recipes.get(recipeId);
  if (saying && run && facts)
    return <MadeForm run={run} yieldGrams={facts.yieldGrams} today={today} anchor={anchor} onClose={onClose} />;
  const days = plan.days.filter((entry) => entry.benchMinutes > 0 && entry.day !== day);
  return (
    <Menu anchorEl={anchor} open onClose={onClose} slotProps={{ list: { disabledItemsFocusable: true } }}>
      <MenuItem
        onClick={() => {
          onClose();
          void pin(recipeId, day, !task.pinned);
        }}
      >
        {task.pinned ? 'Let it go' : 'Pin it here'}
      </MenuItem>
      {run && facts && (
        <MenuItem
          onClick={() => {
            setSaying(true);
          }}
        >
          It was made
        </MenuItem>
      )}
      {run && (
        <MenuItem onClick={() => void begin(recipeId, run.batches[0]?.size ?? 1, today)}>Make it at the bench</MenuItem>
      )}
      <MenuItem onClick={() => void navigate(`/recipes/${recipeId}`)}>Open the recipe</MenuItem>
      <ListSubheader sx={{ bgcolor: 'transparent' }}>Move it to</ListSubheader>
      {days.map((entry) => {
        const [why] = whyNotTo(plan, recipeId, day, entry.day, season.book, today);
        return (
          <MenuItem
            key={entry.day}
            disabled={why !== undefined}
            onClick={() => {
              onClose();
              void move(recipeId, day, entry.day);
            }}
            sx={{ display: 'block', whiteSpace: 'normal', maxWidth: 360, '&.Mui-disabled': { opacity: 0.75 } }}
          >
            {sayDay(entry.day)}
            <Box sx={{ typography: 'fine', color: 'text.secondary' }}>
              {why ?? `${sayMinutes(Math.max(0, entry.benchMinutes - entry.bookedMinutes))} free`}
            </Box>
          </MenuItem>
        );
      })}
    </Menu>
  );
}
