import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { whyNotTo } from '@usual-pantry/core/plan';
import type { PlanRuns } from '@usual-pantry/core/api';
import { runOf, type BenchTask } from '@usual-pantry/core/bench-day';
import { sayDay } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import MadeForm from '../batches/MadeForm';
import { usePlanEdit } from '../data/usePlanEdit';
import type { SeasonBook } from '../data/useSeason';
import { useStartBatch } from '../data/useStartBatch';
import { MoveTo } from './MoveTo';

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
  const run = runOf(plan, task);
  const facts = season.book.recipes.get(recipeId);
  if (saying && run && facts)
    return <MadeForm run={run} yieldGrams={facts.yieldGrams} today={today} anchor={anchor} onClose={onClose} />;
  return (
    <Menu anchorEl={anchor} open onClose={onClose} slotProps={{ list: { disabledItemsFocusable: true } }}>
      {run && (
        <MenuItem
          onClick={() => {
            onClose();
            void pin(recipeId, run.day, !task.pinned);
          }}
        >
          {task.pinned ? 'Let it go' : run.day === day ? 'Pin it here' : `Pin it to ${sayDay(run.day)}`}
        </MenuItem>
      )}
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
      {run && (
        <MoveTo
          title={run.day === day ? 'Move it to' : `Begun on ${sayDay(run.day)}; begin it on`}
          plan={plan}
          from={run.day}
          whyNot={(to) => whyNotTo(plan, recipeId, run.day, to, season.book, today)}
          onMove={(to) => {
            onClose();
            void move(recipeId, run.day, to);
          }}
        />
      )}
    </Menu>
  );
}
