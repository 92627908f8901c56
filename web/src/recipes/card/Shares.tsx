import Box from '@mui/material/Box';
import { useColorScheme } from '@mui/material/styles';
import { sayNumber } from '@usual-pantry/core/quantity';
import { Bar } from 'react-chartjs-2';
import { FIGURES } from '../../parts/theme';
import { painted } from '../../parts/charts';

interface SharesProps {
  readonly title: string;
  readonly unit: string;
  /** Name and value of each bar, one list a series. */
  readonly rows: readonly (readonly [name: string, ...values: number[]])[];
  readonly series?: readonly string[];
}

/** Shares as bars, with the table behind them. */
export function Shares({ title, unit, rows, series = [title] }: SharesProps) {
  useColorScheme();
  const shown = rows.filter(([, ...values]) => values.some((value) => value >= 0.05));
  const colours = [painted('primary-main'), painted('hot-main')];
  return (
    <Box sx={{ minWidth: 0 }}>
      {series.length > 1 && (
        <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mb: 0.5 }}>
          {series.map((name, at) => (
            <Box component="span" key={name} sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
              <Box
                component="span"
                aria-hidden
                sx={{ width: 14, height: 14, borderRadius: 0.5, bgcolor: at === 0 ? 'primary.main' : 'hot.main' }}
              />
              {name}
            </Box>
          ))}
        </Box>
      )}
      <Box sx={{ height: shown.length * (series.length > 1 ? 34 : 24) + 30 }}>
        <Bar
          aria-label={`${title}: the table below says the same`}
          role="img"
          data={{
            labels: shown.map(([name]) => name),
            datasets: series.map((label, at) => ({
              label,
              data: shown.map((row) => row[at + 1] as number),
              backgroundColor: colours[at] ?? painted('primary-main'),
              borderRadius: 3,
            })),
          }}
          options={{
            indexAxis: 'y',
            animation: false,
            maintainAspectRatio: false,
            plugins: { legend: { display: false } },
            scales: {
              x: {
                beginAtZero: true,
                grid: { color: painted('divider') },
                ticks: { color: painted('text-secondary') },
              },
              y: { grid: { display: false }, ticks: { color: painted('text-primary'), autoSkip: false } },
            },
          }}
        />
      </Box>
      <Box component="details">
        <summary>As a table</summary>
        <Box component="table" sx={{ borderCollapse: 'collapse', '& td, & th': { pr: 2, textAlign: 'left' } }}>
          <thead>
            <tr>
              <th scope="col">{title}</th>
              {series.map((name) => (
                <th scope="col" key={name}>
                  {series.length > 1 ? name : unit}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(([name, ...values]) => (
              <tr key={name}>
                <td>{name}</td>
                {values.map((value, at) => (
                  <Box component="td" key={at} sx={{ fontFamily: FIGURES }}>
                    {sayNumber(value, 1)}
                  </Box>
                ))}
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
    </Box>
  );
}
