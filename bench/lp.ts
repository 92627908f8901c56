import type { LinearModel } from '@usual-pantry/core/solver';

/** Terms of one line of an LP file: no line is longer than readers take. */
const PER_LINE = 8;

const number = (value: number): string => (Number.isInteger(value) ? String(value) : value.toPrecision(12));

function sum(terms: readonly (readonly [number, number])[]): string {
  const parts = terms.map(
    ([column, factor]) => `${factor < 0 ? '-' : '+'} ${number(Math.abs(factor))} x${String(column)}`,
  );
  const lines: string[] = [];
  for (let at = 0; at < parts.length; at += PER_LINE) lines.push(parts.slice(at, at + PER_LINE).join(' '));
  return lines.join('\n ') || '0 x0';
}

/** A model as an LP file, as other solvers read it. The offset of its cost is left out. */
export function lpOf({ columns, rows }: LinearModel): string {
  const merged = (terms: LinearModel['rows'][number]['terms']) => {
    const sums = new Map<number, number>();
    for (const [column, factor] of terms) sums.set(column, (sums.get(column) ?? 0) + factor);
    return [...sums].filter(([, factor]) => factor !== 0);
  };
  const said = rows.flatMap(({ lower, upper, terms }, index) => {
    const left = sum(merged(terms));
    if (lower === upper) return [` r${String(index)}: ${left} = ${number(lower)}`];
    return [
      ...(lower > -Infinity ? [` l${String(index)}: ${left} >= ${number(lower)}`] : []),
      ...(upper < Infinity ? [` u${String(index)}: ${left} <= ${number(upper)}`] : []),
    ];
  });
  const costs = columns.flatMap(({ cost }, index): [number, number][] => (cost === 0 ? [] : [[index, cost]]));
  const bounds = columns.map(({ lower, upper }, index) =>
    upper === Infinity
      ? ` x${String(index)} >= ${number(lower)}`
      : ` ${number(lower)} <= x${String(index)} <= ${number(upper)}`,
  );
  const whole = columns.flatMap((column, index) => (column.whole ? [` x${String(index)}`] : []));
  return [
    'Minimize',
    ` cost: ${sum(costs)}`,
    'Subject To',
    ...said,
    'Bounds',
    ...bounds,
    'General',
    ...whole,
    'End',
    '',
  ].join('\n');
}
