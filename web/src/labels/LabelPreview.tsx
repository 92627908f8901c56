import Box from '@mui/material/Box';
import type { LabelFace } from '@usual-pantry/core/label';
import type { SetLabel as LabelAnswer } from '@usual-pantry/core/api';
const faces: Record<LabelFace, { family: string; weight: number }> = {
  text: { family: '"Atkinson Hyperlegible Next Variable"', weight: 400 },
  bold: { family: '"Atkinson Hyperlegible Next Variable"', weight: 700 },
  heading: { family: '"Bricolage Grotesque Variable"', weight: 700 },
};

/** The label as it is set in type for the PDF, at true size: black on white in every scheme. */
export function LabelPreview({ label }: { label: LabelAnswer }) {
  const { widthMm, heightMm, overflowMm, runs } = label.layout;
  const height = heightMm + overflowMm;
  return (
    <Box sx={{ overflow: 'auto', pb: 1 }} tabIndex={0} role="region" aria-label="Label at true size">
      <svg
        role="img"
        aria-label={label.blocks.map((block) => `${block.heading} ${block.text}`.trim()).join('. ')}
        viewBox={`0 0 ${String(widthMm)} ${String(height)}`}
        style={{
          width: `${String(widthMm)}mm`,
          height: `${String(height)}mm`,
          background: '#fff',
          border: '1px solid #8b97a3',
          boxShadow: '0 2px 8px rgba(0,0,0,.18)',
          display: 'block',
        }}
      >
        {overflowMm > 0 && (
          <line
            x1="0"
            x2={widthMm}
            y1={heightMm}
            y2={heightMm}
            stroke="#A81E3D"
            strokeWidth="0.4"
            strokeDasharray="2 1"
          />
        )}
        {runs.map((run) => (
          <text
            key={`${String(run.x)} ${String(run.y)}`}
            x={run.x}
            y={run.y}
            fontSize={run.sizeMm}
            fontFamily={faces[run.face].family}
            fontWeight={faces[run.face].weight}
            fill="#000"
          >
            {run.text}
          </text>
        ))}
      </svg>
    </Box>
  );
}
