import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import type { Change } from '@usual-pantry/core/api';
import { sayCount, sayList } from '@usual-pantry/core/quantity';
import { groupBy } from '@usual-pantry/core/record';
import { useState } from 'react';
import { redo, undo, useChangesQuery } from '../data/history';
import { useAppDispatch } from '../data/store';
import { AnswerLine } from '../parts/AnswerLine';
import { Title } from '../parts/Title';
import { Empty } from '../parts/Panel';
import { Waiting } from '../parts/Waiting';
import { sayDayOf, sayTimeOf } from '../parts/words';

const SHOWN_AT_FIRST = 25;
const MOST_SHOWN = 100;

/** What a change was about, where its name does not say it. */
function sayRecords({ records, recordCount, label }: Change): string {
  const names = records.map(({ name }) => name).filter((name) => !label.includes(name));
  if (names.length === 0) return '';
  const more = recordCount - records.length;
  return sayList(more > 0 ? [...names, sayCount(more, 'other')] : names);
}

function Row({ change }: { change: Change }) {
  const dispatch = useAppDispatch();
  const [isBusy, setBusy] = useState(false);
  const { id, at, from, label, isUndone, inTheWay } = change;
  const turn = async () => {
    setBusy(true);
    await dispatch(isUndone ? redo(id) : undo(id));
    setBusy(false);
  };
  const records = sayRecords(change);
  return (
    <Box
      component="li"
      sx={{ display: 'flex', alignItems: 'center', gap: 1.5, py: 0.75, borderTop: 1, borderColor: 'divider' }}
    >
      <Box component="time" dateTime={at} sx={{ typography: 'figures', color: 'text.secondary', width: 48 }}>
        {sayTimeOf(at)}
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Box sx={{ fontWeight: 650, textDecoration: isUndone ? 'line-through' : 'none' }}>{label}</Box>
        <Box sx={{ typography: 'small', color: 'text.secondary' }}>
          {[records, `from ${from}`, isUndone ? 'undone' : ''].filter(Boolean).join(' · ')}
          {inTheWay && <Box>Can be undone after “{inTheWay.label}”</Box>}
        </Box>
      </Box>
      <Button
        size="small"
        variant="outlined"
        loading={isBusy}
        disabled={inTheWay !== null}
        aria-label={`${isUndone ? 'Do again' : 'Undo'}: ${label}`}
        onClick={() => void turn()}
      >
        {isUndone ? 'Do again' : 'Undo'}
      </Button>
    </Box>
  );
}

/** What was changed, the newest first: each can be undone, across records, whatever has happened since elsewhere. */
export function Changes() {
  const [size, setSize] = useState(SHOWN_AT_FIRST);
  const { data, error, refetch } = useChangesQuery({ page: 1, size });
  if (!data) return <Waiting error={error} again={refetch} />;
  const { items, total } = data;
  const undone = items.filter(({ isUndone }) => isUndone).length;
  return (
    <>
      <Title of="Changes" />
      <AnswerLine>
        {total === 0
          ? 'Nothing was changed yet.'
          : `${sayCount(total, 'change')} kept${undone > 0 ? `, ${String(undone)} of them undone` : ''}: each can be undone by itself.`}
      </AnswerLine>
      {total === 0 ? (
        <Empty title="No change yet.">
          What you save, add and delete is listed here, the last 200 changes, and can be undone after a reload too.
        </Empty>
      ) : (
        <Paper variant="outlined" sx={{ px: 2, py: 1, maxWidth: 860 }}>
          {[...groupBy(items, ({ at }) => sayDayOf(at))].map(([day, changes]) => (
            <Box component="section" key={day} aria-label={day} sx={{ pb: 1.5 }}>
              <Box component="h2" sx={{ typography: 'h3', my: 1 }}>
                {day}
              </Box>
              <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
                {changes.map((change) => (
                  <Row key={change.id} change={change} />
                ))}
              </Box>
            </Box>
          ))}
          {total > items.length && size < MOST_SHOWN && (
            <Button
              onClick={() => {
                setSize(MOST_SHOWN);
              }}
            >
              Show earlier ones
            </Button>
          )}
        </Paper>
      )}
    </>
  );
}
