import { cutGrid, type CutForm } from '@usual-pantry/core/piece';
import { sayLength } from '@usual-pantry/core/quantity';

/** The pan from above, drawn to scale with its cuts; the trim is what is left at the edges. */
export function PanDrawing({ form, colour }: { form: CutForm; colour: string }) {
  const { along, across, count } = cutGrid(form);
  const high = form.shape === 'round' ? form.pieceLengthMm : form.pieceWidthMm;
  const pieces = Array.from({ length: Math.min(count, 600) }, (_, index) => ({
    x: form.edgeTrimMm + (index % along) * (form.pieceLengthMm + form.kerfMm),
    y: form.edgeTrimMm + Math.floor(index / along) * (high + form.kerfMm),
  }));
  return (
    <svg
      role="img"
      aria-label={`Pan ${sayLength(form.panLengthMm, form.panWidthMm)}, cut ${String(along)} by ${String(across)}`}
      viewBox={`-3 -3 ${String(form.panLengthMm + 6)} ${String(form.panWidthMm + 6)}`}
      style={{ width: '100%', maxWidth: 210 }}
    >
      <rect
        width={form.panLengthMm}
        height={form.panWidthMm}
        rx="4"
        fill={colour}
        fillOpacity="0.35"
        stroke="currentColor"
        strokeWidth="2"
      />
      {pieces.map(({ x, y }) => (
        <rect
          key={`${String(x)} ${String(y)}`}
          x={x}
          y={y}
          width={form.pieceLengthMm}
          height={high}
          rx={form.shape === 'round' ? form.pieceLengthMm / 2 : 0}
          fill={colour}
          stroke="#fff"
          strokeWidth="0.8"
        />
      ))}
    </svg>
  );
}
