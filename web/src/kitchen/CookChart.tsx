import '../parts/charts';
import Box from '@mui/material/Box';
import { useTheme } from '@mui/material/styles';
import { isBelieved, type BenchForecast, type TracePoint } from '@usual-pantry/core/making';
import { sayTemperature } from '@usual-pantry/core/quantity';
import type { ChartOptions, ChartType, Plugin } from 'chart.js';
import { Line } from 'react-chartjs-2';
import { painted } from '../parts/charts';
import { sayAt } from './sayTimes';

/** So many points are drawn: more than a screen has room for are no clearer. */
const MOST_POINTS = 400;

interface Point {
  readonly x: number;
  readonly y: number;
}

/** Every so-many-th point, the last always among them. */
export function thinned(points: readonly Point[]): Point[] {
  const every = Math.ceil(points.length / MOST_POINTS);
  return points.filter((_, index) => index % every === 0 || index === points.length - 1);
}

interface CookChartProps {
  readonly points: readonly TracePoint[];
  readonly target: number;
  /** From which moment on, ms since 1970, a forecast holds. */
  readonly forecast: BenchForecast | null;
  readonly marks: readonly { readonly at: number; readonly text: string }[];
  readonly height: number;
  /** Bands of temperature with their names, behind the trace. */
  readonly bands?: readonly { readonly from: number; readonly to: number; readonly name: string }[];
}

/** What is drawn behind the curve. */
interface Behind {
  readonly window: { readonly from: number; readonly to: number } | null;
  readonly marks: CookChartProps['marks'];
  readonly bands: NonNullable<CookChartProps['bands']>;
}

declare module 'chart.js' {
  interface PluginOptionsByType<TType extends ChartType> {
    behind?: TType extends 'line' ? Behind : never;
  }
}

/** The pull window, bands, and what went in. */
const behind: Plugin<'line', Behind> = {
  id: 'behind',
  beforeDatasetsDraw: ({ ctx, chartArea, scales }, _args, options) => {
    const { x, y } = scales;
    const { window, marks, bands } = options;
    if (!x || !y) return;
    const { left, right, top, bottom } = chartArea;
    ctx.save();
    ctx.beginPath();
    ctx.rect(left, top, right - left, bottom - top);
    ctx.clip();
    ctx.font = `13px ${getComputedStyle(document.body).fontFamily}`;
    ctx.globalAlpha = 0.16;
    if (window) {
      ctx.fillStyle = painted('error-main');
      const start = x.getPixelForValue(window.from);
      ctx.fillRect(start, top, Math.max(3, x.getPixelForValue(window.to) - start), bottom - top);
    }
    ctx.fillStyle = painted('success-main');
    for (const { from, to } of bands) {
      const start = y.getPixelForValue(to);
      ctx.fillRect(left, start, right - left, Math.max(2, y.getPixelForValue(from) - start));
    }
    ctx.globalAlpha = 1;
    ctx.fillStyle = painted('text-secondary');
    for (const { from, to, name } of bands) ctx.fillText(name, left + 6, y.getPixelForValue((from + to) / 2) + 4);
    for (const { at, text } of marks) {
      const place = x.getPixelForValue(at);
      ctx.fillRect(place, top, 1, bottom - top);
      ctx.fillText(text, Math.min(place + 4, right - ctx.measureText(text).width - 2), bottom - 8);
    }
    ctx.restore();
  },
};

/** What the thermometer showed, where it goes, and when it is to be taken off. */
export function CookChart({ points, target, forecast, marks, height, bands = [] }: CookChartProps) {
  // Painted anew when the scheme changes.
  useTheme();
  const trace = thinned(points.filter(isBelieved).map(({ at, celsius }) => ({ x: at, y: celsius })));
  const last = trace.at(-1);
  const ahead =
    last && forecast ? forecast.curve.map(({ seconds, celsius }) => ({ x: last.x + seconds * 1000, y: celsius })) : [];
  const window =
    last && forecast ? { from: last.x + forecast.window.from * 1000, to: last.x + forecast.window.to * 1000 } : null;
  const first = trace[0]?.x ?? 0;
  const until = Math.max(last?.x ?? first, ahead.at(-1)?.x ?? 0, first + 60_000);
  const lowest = Math.min(...trace.map(({ y }) => y), ...bands.map(({ from }) => from), target - 20);
  const options: ChartOptions<'line'> = {
    animation: false,
    responsive: true,
    maintainAspectRatio: false,
    normalized: true,
    parsing: false,
    events: [],
    plugins: { legend: { display: false }, tooltip: { enabled: false }, behind: { window, marks, bands } },
    scales: {
      x: {
        type: 'linear',
        min: first,
        max: until,
        ticks: {
          color: painted('text-secondary'),
          maxTicksLimit: 5,
          maxRotation: 0,
          font: { size: 13 },
          callback: (value) => sayAt(Number(value)),
        },
        grid: { display: false },
      },
      y: {
        min: Math.floor(lowest / 10) * 10,
        max: Math.ceil((Math.max(target, ...bands.map(({ to }) => to), ...trace.map(({ y }) => y)) + 6) / 10) * 10,
        ticks: {
          color: painted('text-secondary'),
          maxTicksLimit: 6,
          includeBounds: false,
          font: { size: 13 },
          callback: (value) => sayTemperature(Number(value)).replace(/ .*/, ''),
        },
        grid: { color: painted('divider') },
      },
    },
  };
  return (
    <Box sx={{ height, minWidth: 0, position: 'relative' }}>
      <Line
        aria-label={`Curve of the temperature, ${trace.length > 0 ? `now ${sayTemperature(last?.y ?? 0)}` : 'nothing read yet'}, target ${sayTemperature(target)}`}
        options={options}
        plugins={[behind]}
        data={{
          datasets: [
            { data: trace, borderColor: painted('text-primary'), borderWidth: 4, pointRadius: 0, tension: 0.2 },
            { data: ahead, borderColor: painted('hot-main'), borderWidth: 4, borderDash: [6, 7], pointRadius: 0 },
            { data: [{ x: first, y: target }, { x: until, y: target }], borderColor: painted('hot-main'), borderWidth: 2, borderDash: [10, 6], pointRadius: 0 }, // prettier-ignore
          ],
        }}
      />
    </Box>
  );
}
