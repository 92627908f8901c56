import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { whyNotStageTo } from '@usual-pantry/core/plan';
import { sayCount, sayShortDay, type Day } from '@usual-pantry/core/quantity';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { usePlanEdit } from '../data/usePlanEdit';
import { MoveTo } from './MoveTo';
import type { StripMenuProps } from './StripMenu';

/** What can be done with a stage of finishing pieces: move it, or part of it, or open the piece. Days on which it cannot be say why. */
export function StageMenu({ opened: { task, day, anchor }, plan, today, season, onClose }: StripMenuProps) {
  const { moveStage } = usePlanEdit();
  const navigate = useNavigate();
  const [handOver, setHandOver] = useState<Day | null>(null);
  const { pieceId, stage } = task;
  if (pieceId === null || stage === null) return null;
  const counts = new Map<Day, number>();
  for (const each of plan.finishings)
    if (each.pieceId === pieceId && each.work.some((work) => work.stage === stage && work.day === day))
      counts.set(each.handOver, (counts.get(each.handOver) ?? 0) + each.count);
  const all = [...counts.values()].reduce((sum, count) => sum + count, 0);
  const choices: readonly (readonly [Day | null, string])[] = [
    [null, `All ${sayCount(all, 'piece')}`],
    ...[...counts].sort().map(([on, count]) => [on, `${sayCount(count, 'piece')} for ${sayShortDay(on)}`] as const),
  ];
  const moveTo = (to: Day) => ({ pieceId, stage, from: day, to, handOver });
  return (
    <Menu anchorEl={anchor} open onClose={onClose} slotProps={{ list: { disabledItemsFocusable: true } }}>
      <MenuItem onClick={() => void navigate(`/pieces/${pieceId}`)}>Open the piece</MenuItem>
      {counts.size > 1 && <ListSubheader sx={{ bgcolor: 'transparent' }}>Which of them</ListSubheader>}
      {counts.size > 1 &&
        choices.map(([on, text]) => (
          <MenuItem
            key={on ?? 'all'}
            role="menuitemradio"
            aria-checked={handOver === on}
            selected={handOver === on}
            onClick={() => {
              setHandOver(on);
            }}
          >
            {text}
          </MenuItem>
        ))}
      <MoveTo
        title="Move it to"
        plan={plan}
        from={day}
        whyNot={(to) => whyNotStageTo(plan, moveTo(to), season.book, today)}
        onMove={(to) => {
          onClose();
          void moveStage(task.name, moveTo(to));
        }}
      />
    </Menu>
  );
}
