import { roomOf, type MouldedForm } from '@usual-pantry/core/piece';

const CELL = 30;
const WIDTH = 60;
const TOP = 12;
const HEIGHT = 60;

/** The cavities from above, and one of them cut through: shell, fillings from the bottom up, cap, at their shares. */
export function MouldDrawing({ form, colour }: { form: MouldedForm; colour: string }) {
  const columns = Math.ceil(Math.sqrt(form.cavities * 1.5));
  const rows = Math.ceil(form.cavities / columns);
  const fillings = form.layers.map(({ grams, gramsPerMl }) => grams / gramsPerMl);
  const parts = [
    { share: (form.shell.shellPercent * roomOf(form)) / 100, opacity: 1 },
    ...fillings.map((share, index) => ({ share, opacity: 0.65 - index * 0.2 })),
    { share: (form.shell.capPercent * roomOf(form)) / 100, opacity: 1 },
  ];
  const total = Math.max(
    roomOf(form),
    parts.reduce((sum, { share }) => sum + share, 0),
  );
  const heights = parts.map(({ share }) => (share / total) * HEIGHT);
  return (
    <svg
      role="img"
      aria-label={`Mould of ${form.cavities} cavities; one cut through: shell, ${form.layers.length} filling, cap`}
      viewBox={`0 0 ${columns * CELL} ${rows * CELL + HEIGHT + 2 * TOP}`}
      style={{ width: '100%', maxWidth: 210 }}
    >
      <rect width={columns * CELL} height={rows * CELL} rx="6" fill="none" stroke="currentColor" strokeWidth="2" />
      {Array.from({ length: form.cavities }, (_, index) => (
        <circle
          key={index}
          cx={((index % columns) + 0.5) * CELL}
          cy={(Math.floor(index / columns) + 0.5) * CELL}
          r={CELL * 0.38}
          fill={colour}
        />
      ))}
      {parts.map(({ opacity }, index) => (
        <rect
          key={index}
          x={(columns * CELL - WIDTH) / 2}
          y={rows * CELL + TOP + heights.slice(0, index).reduce((sum, height) => sum + height, 0)}
          width={WIDTH}
          height={heights[index] ?? 0}
          fill={colour}
          fillOpacity={opacity}
          stroke="currentColor"
          strokeWidth="0.75"
        />
      ))}
    </svg>
  );
}
