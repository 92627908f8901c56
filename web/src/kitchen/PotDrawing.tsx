import Box from '@mui/material/Box';
import { lookOf, type PracticePot } from '@usual-pantry/core/practice';

const WIDTH = 220;
const HEIGHT = 170;
const INSIDE = { left: 22, right: 198, top: 18, bottom: 150 } as const;
/** Where bubbles stand, as shares of the surface; the same each time, so that nothing flickers. */
const PLACES = [0.08, 0.2, 0.31, 0.43, 0.52, 0.61, 0.72, 0.83, 0.92] as const;

/** The pot from the side: how high it stands against the rim, its colour, its bubbles. */
export function PotDrawing({ pot, seaLevel }: { pot: PracticePot; seaLevel: number }) {
  const { bubbles, colour, words: boiling } = lookOf(seaLevel);
  const words = pot.pot.boils || pot.isOff ? boiling : 'It warms: no bubbles yet.';
  const height = Math.min(1.12, pot.height);
  const surface = INSIDE.bottom - height * (INSIDE.bottom - INSIDE.top);
  const radius = 2 + bubbles * 9;
  const says = `${words} It stands at ${String(Math.round(height * 100))} % of the pot${pot.boiledOver ? ', and has boiled over' : ''}.`;
  return (
    <Box sx={{ display: 'grid', gap: 0.5 }}>
      <svg
        viewBox={`0 0 ${String(WIDTH)} ${String(HEIGHT)}`}
        role="img"
        aria-label={says}
        style={{ width: '100%', maxHeight: 190 }}
      >
        <rect
          x={INSIDE.left}
          y={surface}
          width={INSIDE.right - INSIDE.left}
          height={INSIDE.bottom - surface}
          fill={colour}
        />
        {pot.pot.boils &&
          !pot.isOff &&
          PLACES.map((place, index) => (
            <circle
              key={place}
              cx={INSIDE.left + place * (INSIDE.right - INSIDE.left)}
              cy={surface + (index % 3) * 4}
              r={Math.max(1.5, radius * (0.7 + (index % 4) * 0.15))}
              fill={colour}
              stroke="rgba(60,40,10,0.55)"
              strokeWidth={1.5}
            />
          ))}
        <path
          d={`M${String(INSIDE.left - 6)} ${String(INSIDE.top)} V${String(INSIDE.bottom + 8)} H${String(INSIDE.right + 6)} V${String(INSIDE.top)}`}
          fill="none"
          stroke="currentColor"
          strokeWidth={6}
          strokeLinecap="round"
        />
        <line x1={4} x2={INSIDE.left - 6} y1={INSIDE.top} y2={INSIDE.top} stroke="currentColor" strokeWidth={2} />
        <text x={2} y={INSIDE.top - 5} fontSize={12} fill="currentColor">
          rim
        </text>
      </svg>
      <Box sx={{ typography: 'large' }}>{says}</Box>
    </Box>
  );
}
