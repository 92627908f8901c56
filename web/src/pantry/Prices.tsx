import Box from '@mui/material/Box';
import { useColorScheme } from '@mui/material/styles';
import type { Ingredient } from '@usual-pantry/core/ingredient';
import { daysBetween, sayDay, sayMoney, sayShortDay } from '@usual-pantry/core/quantity';
import { Line } from 'react-chartjs-2';
import { FIGURES } from '../parts/theme';
import { painted } from '../parts/charts';

/** What each pack has cost since when, with the table behind it. */
export function Prices({ prices, currency }: { prices: Ingredient['prices']; currency: string }) {
  useColorScheme();
  const sorted = [...prices].sort((a, b) => a.on.localeCompare(b.on));
  const start = sorted[0]?.on ?? '';
  const packs = [...new Set(sorted.map(({ pack }) => pack))];
  const colours = [painted('primary-main'), painted('hot-main'), painted('success-main')];
  const dayAt = (days: number) => sorted.find(({ on }) => daysBetween(start, on) === days)?.on;
  return (
    <Box>
      <Box sx={{ height: 180 }}>
        <Line
          role="img"
          aria-label="Prices over time: the table below says the same"
          data={{
            datasets: packs.map((pack, at) => ({
              label: pack,
              data: sorted
                .filter((each) => each.pack === pack)
                .map(({ on, priceMinor }) => ({ x: daysBetween(start, on), y: priceMinor / 100 })),
              stepped: 'before' as const,
              borderColor: colours[at % colours.length] ?? painted('primary-main'),
              pointRadius: 4,
            })),
          }}
          options={{
            animation: false,
            maintainAspectRatio: false,
            layout: { padding: { right: 28 } },
            plugins: { legend: { display: false } },
            scales: {
              x: {
                type: 'linear',
                grid: { display: false },
                ticks: {
                  color: painted('text-secondary'),
                  callback: (days) => {
                    const day = dayAt(Number(days));
                    return day ? sayShortDay(day) : '';
                  },
                },
              },
              y: {
                beginAtZero: true,
                grid: { color: painted('divider') },
                ticks: { color: painted('text-secondary') },
              },
            },
          }}
        />
      </Box>
      <Box component="table" sx={{ borderCollapse: 'collapse', '& td, & th': { pr: 3, py: 0.25, textAlign: 'left' } }}>
        <thead>
          <tr>
            <th scope="col">Since</th>
            <th scope="col">Pack</th>
            <th scope="col">Price</th>
          </tr>
        </thead>
        <tbody>
          {sorted.map(({ on, pack, priceMinor }) => (
            <tr key={`${on} ${pack}`}>
              <td>{sayDay(on)}</td>
              <td>{pack}</td>
              <Box component="td" sx={{ fontFamily: FIGURES }}>
                {sayMoney(priceMinor, currency)}
              </Box>
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
