import Box from '@mui/material/Box';
import type { LabelFace } from '@usual-pantry/core/label';
import type { SetLabel } from '@usual-pantry/core/api';
import { lengthUnit } from '@usual-pantry/core/quantity';
import { sideNames } from './sides';

const faces: Record<LabelFace, { family: string; weight: number }> = {
  text: { family: '"Atkinson Hyperlegible Next Variable"', weight: 400 },
  bold: { family: '"Atkinson Hyperlegible Next Variable"', weight: 700 },
  heading: { family: '"Bricolage Grotesque Variable"', weight: 700 },
};

const mm = (length: number): string => `${String(length)}mm`;
const RULE_MM = 6;

/** Marks of a rule: so many to a number, and of which every how many are long. */
const rules = {
  mm: { marks: 10, long: 5, numberMm: 10, numberOf: 10 },
  in: { marks: 8, long: 4, numberMm: 25.4, numberOf: 1 },
};

/** A rule in the kitchen's unit along the upper edge of a label. */
function Rule({ lengthMm }: { lengthMm: number }) {
  const { marks, long, numberMm, numberOf } = rules[lengthUnit().unit];
  const step = numberMm / marks;
  const all = Array.from({ length: Math.floor(lengthMm / step) + 1 }, (_, at) => at);
  return (
    <svg
      aria-hidden
      viewBox={`0 0 ${String(lengthMm)} ${String(RULE_MM)}`}
      style={{ width: mm(lengthMm), height: mm(RULE_MM), display: 'block', overflow: 'visible' }}
    >
      {all.map((at) => (
        <line
          key={at}
          x1={at * step}
          x2={at * step}
          y1={RULE_MM}
          y2={at % marks === 0 ? 2.8 : at % long === 0 ? 4 : 5}
          stroke="currentColor"
          strokeWidth="0.15"
        />
      ))}
      {all
        .filter((at) => at % marks === 0)
        .map((at) => (
          <text
            key={at}
            x={at * step}
            y={2.3}
            fontSize="2.6"
            textAnchor={at === 0 ? 'start' : 'middle'}
            fill="currentColor"
          >
            {(at / marks) * numberOf}
          </text>
        ))}
    </svg>
  );
}

/** What one side says. Of a label with a single side that is all of it, a sentence a paragraph. */
const saySide = ({ layouts, blocks }: SetLabel, { runs }: SetLabel['layouts'][number]): string =>
  layouts.length === 1
    ? blocks.map(({ heading, text }) => `${heading} ${text}`.trim()).join('. ')
    : runs.map(({ text }) => text).join(' ');

/** One side of a label. */
function Side({ label, layout, name }: { label: SetLabel; layout: SetLabel['layouts'][number]; name: string }) {
  const { widthMm, heightMm, overflowMm, runs, code, logo } = layout;
  const height = heightMm + overflowMm;
  return (
    <svg
      role="img"
      aria-label={`${name}: ${saySide(label, layout)}`}
      viewBox={`0 0 ${String(widthMm)} ${String(height)}`}
      style={{
        width: mm(widthMm),
        height: mm(height),
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
          fill={run.accent ? label.accent : '#000'}
        >
          {run.text}
        </text>
      ))}
      {logo && label.logoPng && (
        <image href={label.logoPng} x={logo.x} y={logo.y} width={logo.widthMm} height={logo.heightMm} />
      )}
      {code && label.codeSvg && (
        <image
          href={`data:image/svg+xml;utf8,${encodeURIComponent(label.codeSvg)}`}
          x={code.x}
          y={code.y}
          width={code.widthMm}
          height={code.heightMm}
          preserveAspectRatio="none"
        />
      )}
    </svg>
  );
}

/** The label as it is set in type for the PDF, at true size with a rule beside it: black on white in every scheme. */
export function LabelPreview({ label }: { label: SetLabel }) {
  return (
    <Box
      sx={{ overflow: 'auto', pb: 1, display: 'flex', gap: 2, flexWrap: 'wrap' }}
      tabIndex={0}
      role="region"
      aria-label="Label at true size"
    >
      {label.layouts.map((layout, index) => {
        const side = sideNames[label.second][index === 0 ? 0 : 1];
        const name = side.charAt(0).toUpperCase() + side.slice(1);
        return (
          <Box key={name} sx={{ color: 'text.secondary' }}>
            <Rule lengthMm={layout.widthMm} />
            <Side label={label} layout={layout} name={name} />
            {label.layouts.length > 1 && <Box sx={{ typography: 'note', mt: 0.5 }}>{name}</Box>}
          </Box>
        );
      })}
    </Box>
  );
}
