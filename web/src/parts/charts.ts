import { BarElement, CategoryScale, Chart, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { theme } from './theme';

Chart.register(BarElement, CategoryScale, LinearScale, LineElement, PointElement, Tooltip);
Chart.defaults.font.family = theme.typography.fontFamily ?? 'sans-serif';

/** A colour of the page as it is now: a chart is painted, so that it cannot follow the variables itself. */
export const painted = (name: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--mui-palette-${name}`).trim();
