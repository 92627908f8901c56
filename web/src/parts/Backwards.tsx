import Box from '@mui/material/Box';
import { sayBenchTime, type TimelineStep } from '@usual-pantry/core/bench-day';
import { sayDay, sayShortDay } from '@usual-pantry/core/quantity';
import { groupBy } from '@usual-pantry/core/record';

const verbs: Record<TimelineStep['kind'], string> = {
  make: 'Make ',
  'goes on': 'Go on with ',
  finish: '',
  'take out': 'Take out of the freezer: ',
  pack: '',
  'hand over': '',
};

/** When a step is, on the clock or counted from the beginning of its day. */
function sayTimes({ from, until, begins, isDone }: TimelineStep): string {
  if (isDone) return 'done';
  return from === null || until === null ? '' : `${sayBenchTime({ begins }, from)}–${sayBenchTime({ begins }, until)}`;
}

/** The first thing that is still to be done, in one sentence. */
function sayStart(steps: readonly TimelineStep[]): string {
  const first = steps.findLast(({ isDone }) => !isDone);
  if (!first || first.kind === 'hand over') return 'Everything for it is made.';
  const at = first.from === null ? '' : ` at ${sayBenchTime(first, first.from)}`;
  return `Start on ${sayDay(first.day)}${at}: ${verbs[first.kind].toLowerCase()}${first.text}.`;
}

/** Everything that leads to a hand-over, backwards from it, and what is done first. */
export function Backwards({ steps }: { steps: readonly TimelineStep[] }) {
  if (steps.length < 2)
    return <Box sx={{ typography: 'note' }}>Nothing of the plan is for it: it is left out, packed, or not open.</Box>;
  return (
    <>
      <Box sx={{ fontWeight: 650, mb: 1 }}>{sayStart(steps)}</Box>
      <Box component="ol" aria-label="Backwards from the hand-over" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {[...groupBy(steps, ({ day }) => day)].map(([day, here]) => (
          <Box
            component="li"
            key={day}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', sm: '110px 1fr' },
              gap: { xs: 0, sm: 1 },
              borderTop: 1,
              borderColor: 'divider',
              py: 0.75,
            }}
          >
            <Box sx={{ fontWeight: 650 }}>{sayShortDay(day)}</Box>
            <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
              {here.map((step) => (
                <Box
                  component="li"
                  key={`${step.kind} ${step.text}`}
                  sx={{ display: 'grid', gridTemplateColumns: '118px 1fr', gap: 1 }}
                >
                  <Box sx={{ typography: 'figures', whiteSpace: 'nowrap', color: 'text.secondary' }}>
                    {sayTimes(step)}
                  </Box>
                  <div>
                    {verbs[step.kind]}
                    {step.text}
                    {step.rest && (
                      <Box component="span" sx={{ color: 'text.secondary' }}>
                        , then {step.rest}
                      </Box>
                    )}
                  </div>
                </Box>
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}
