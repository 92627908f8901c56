import Box from '@mui/material/Box';
import { weekday, sayWeekday, sayDay, sayMinutes, sayCount } from '@usual-pantry/core/quantity';
import type { DayInShort, PlanSummary } from '@usual-pantry/core/api';
import { memo, useState } from 'react';
import { arrowKeys } from '../parts/arrowKeys';
import { Link, useLocation, useSearchParams } from 'react-router';
import { STRIP_HEIGHT } from '../parts/theme';

/** A day in words, for a tooltip and for a screen reader. */
function sayStripDay({ day, benchMinutes, bookedMinutes, handOvers, humid }: DayInShort): string {
  const bench =
    benchMinutes > 0
      ? `${sayMinutes(bookedMinutes)} booked of ${sayMinutes(benchMinutes)}`
      : bookedMinutes > 0
        ? `${sayMinutes(bookedMinutes)} booked on no bench day`
        : 'no bench day';
  const hand = handOvers > 0 ? `, ${sayCount(handOvers, 'order')} to hand over` : '';
  return `${sayDay(day)}: ${bench}${hand}${humid ? ', humid' : ''}`;
}

/** Drawn again only when the day itself has changed: answers share what is the same as before. */
const StripDay = memo(function StripDay({
  entry,
  chosen,
  isStop,
}: {
  entry: DayInShort;
  chosen: boolean;
  isStop: boolean;
}) {
  const { day, benchMinutes, bookedMinutes, handOvers } = entry;
  const over = bookedMinutes > benchMinutes + 1;
  const filled = benchMinutes > 0 ? Math.min(1, bookedMinutes / benchMinutes) : over ? 1 : 0;
  const weekend = [0, 6].includes(weekday(day));
  return (
    <Box
      component={Link}
      to={`/?day=${day}`}
      data-day={day}
      tabIndex={isStop ? 0 : -1}
      aria-label={sayStripDay(entry)}
      aria-current={chosen ? 'date' : undefined}
      title={sayStripDay(entry)}
      sx={{
        flex: '1 0 27px',
        maxWidth: 40,
        display: 'flex',
        flexDirection: 'column',
        alignItems: 'center',
        color: 'text.secondary',
        textDecoration: 'none',
        typography: 'fineFigures',
        lineHeight: 1.35,
        fontWeight: weekend ? 700 : 400,
      }}
    >
      <span>{sayWeekday(weekday(day), 'narrow')}</span>
      <Box
        sx={{
          position: 'relative',
          width: 'calc(100% - 4px)',
          height: 27,
          borderRadius: 0.75,
          overflow: 'hidden',
          border: benchMinutes > 0 || over ? 1.5 : 0,
          borderColor: 'rim',
          bgcolor: benchMinutes > 0 || over ? 'background.paper' : 'background.default',
          outline: chosen ? '3px solid' : 'none',
          outlineColor: 'warning.light',
          outlineOffset: 1,
        }}
      >
        <Box
          sx={{
            position: 'absolute',
            bottom: 0,
            left: 0,
            right: 0,
            height: `${filled * 100}%`,
            bgcolor: over ? 'error.main' : 'hot.main',
          }}
        />
        {entry.humid && (
          <Box
            component="span"
            sx={{ position: 'absolute', left: 3, top: 1, typography: 'fine', lineHeight: 1, color: 'primary.main' }}
          >
            ≈
          </Box>
        )}
        {handOvers > 0 && (
          <Box
            sx={{
              position: 'absolute',
              top: 0,
              right: 0,
              width: 0,
              height: 0,
              borderTop: '10px solid',
              borderTopColor: 'rim',
              borderLeft: '10px solid transparent',
            }}
          />
        )}
      </Box>
      <span>{Number(day.slice(8))}</span>
    </Box>
  );
});

/** One stop for Tab, walked by arrows: one cell a day from today to the last hand-over: bench hours booked of those there are, a notch for a hand-over. */
export function SeasonStrip({ plan }: { plan: PlanSummary | undefined }) {
  const [search] = useSearchParams();
  const { pathname } = useLocation();
  const chosen = pathname === '/' ? (search.get('day') ?? plan?.today) : undefined;
  const [focused, setFocused] = useState<string>();
  const days = plan?.days ?? [];
  const stop = [focused, chosen, plan?.today].find((day) => days.some((each) => each.day === day)) ?? days[0]?.day;
  return (
    <Box
      component="nav"
      aria-label="Days of the season"
      onKeyDown={(event) => {
        arrowKeys(event, 'a[href]');
      }}
      onFocus={({ target }) => {
        setFocused(target.dataset['day']);
      }}
      sx={{
        height: STRIP_HEIGHT,
        display: 'flex',
        alignItems: 'center',
        px: { xs: 1, md: 2.25 },
        overflowX: 'auto',
        bgcolor: 'background.paper',
        borderBottom: 2,
        borderColor: 'rim',
      }}
    >
      {days.map((entry) => (
        <StripDay key={entry.day} entry={entry} chosen={entry.day === chosen} isStop={entry.day === stop} />
      ))}
    </Box>
  );
}
