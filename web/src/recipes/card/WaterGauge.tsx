import Box from '@mui/material/Box';
import { FOOD_CODE_LIMIT, type EstimatedWaterActivity, type WaterActivity } from '@usual-pantry/core/cooking';
import { sayNumber } from '@usual-pantry/core/quantity';
import { Worked } from '../../parts/Worked';

const FROM = 0.4;
const WIDTH = 320;
const at = (value: number): number => ((Math.min(1, Math.max(FROM, value)) - FROM) / (1 - FROM)) * WIDTH;

const say = (value: number): string => sayNumber(value, 2);
const rangeWords = ({ low, high }: EstimatedWaterActivity): string => `${say(low)} to ${say(high)}`;

/** The estimate of water activity, or why there is none. */
export const WaterGauge = ({ estimate }: { estimate: WaterActivity }) =>
  estimate.reading === 'not estimated' ? (
    <span>
      <b>Not estimated.</b> {estimate.why} Have it measured where it matters.
    </span>
  ) : (
    <Gauge estimate={estimate} />
  );

/** A range on a scale, with the line of the Food Code. */
function Gauge({ estimate }: { estimate: EstimatedWaterActivity }) {
  const { low, high, norrish, moneyBorn, reading } = estimate;
  return (
    <Box sx={{ display: 'grid', gap: 0.75 }}>
      <Box sx={{ typography: 'large', fontWeight: 650 }}>
        <Worked
          working={{
            title: 'Water activity',
            inputs: [
              ['By Norrish', say(norrish)],
              ['By Money and Born', say(moneyBorn)],
              ['Uncertainty', '0.03 either way'],
            ],
            rule: 'From the water and the dissolved sugars of the finished recipe. Acid, salt and starch are left out.',
            source: 'Norrish 1966; Money and Born 1951; US FDA Food Code 2022, tables A and B',
          }}
        >
          {rangeWords(estimate)}
        </Worked>
      </Box>
      <svg
        viewBox={`-12 0 ${WIDTH + 24} 52`}
        role="img"
        aria-label={`Water activity ${rangeWords(estimate)} on a scale from 0.4 to 1; the Food Code draws a line at 0.88`}
        style={{ width: '100%', maxWidth: 420 }}
      >
        <rect y="12" width={WIDTH} height="12" rx="6" fill="currentColor" opacity="0.14" />
        <rect
          x={at(low)}
          y="10"
          width={Math.max(4, at(high) - at(low))}
          height="16"
          rx="3"
          fill="var(--mui-palette-hot-main)"
        />
        <line x1={at(FOOD_CODE_LIMIT)} x2={at(FOOD_CODE_LIMIT)} y1="4" y2="32" stroke="currentColor" strokeWidth="2" />
        {[0.4, 0.6, 0.8, 0.88, 1].map((value) => (
          <text key={value} x={at(value)} y="46" fontSize="12" fill="currentColor" textAnchor="middle">
            {value}
          </text>
        ))}
      </svg>
      <span>
        {reading === 'below'
          ? 'Under 0.88: by table B of the Food Code not held to time and temperature, whatever its acidity.'
          : 'May be above 0.88: it may have to be kept cool and sold soon, and many cottage laws bar it.'}{' '}
        <b>An estimate, not a measurement: have it tested.</b>
      </span>
    </Box>
  );
}
