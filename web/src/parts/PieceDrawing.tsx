import type { PieceForm } from '@usual-pantry/core/piece';

/** A colour moved towards black (below 0) or white (above 0) by a share. */
function shade(colour: string, share: number): string {
  const target = share < 0 ? 0 : 255;
  const channel = (at: number) => {
    const value = parseInt(colour.slice(at, at + 2), 16);
    return Math.round(value + (target - value) * Math.abs(share));
  };
  return `rgb(${channel(1)}, ${channel(3)}, ${channel(5)})`;
}

const shapes: Record<PieceForm['kind'], (colour: string) => React.ReactNode> = {
  cut: (colour) => (
    <>
      <rect x="6" y="8" width="36" height="34" rx="2" fill={shade(colour, -0.28)} />
      <path d="M6 10a2 2 0 0 1 2-2h32a2 2 0 0 1 2 2l-4 6H10z" fill={shade(colour, 0.3)} />
      <rect x="10" y="15" width="28" height="23" fill={colour} />
    </>
  ),
  broken: (colour) => (
    <>
      <path
        d="M9 14 24 5l16 8 3 17-9 13-19 2L5 28z"
        fill={colour}
        stroke={shade(colour, -0.35)}
        strokeWidth="2"
        strokeLinejoin="round"
      />
      <g fill={shade(colour, 0.45)}>
        <circle cx="19" cy="17" r="1.8" />
        <circle cx="29" cy="22" r="1.8" />
        <circle cx="17" cy="30" r="1.8" />
        <circle cx="28" cy="34" r="1.8" />
      </g>
    </>
  ),
  rolled: (colour) => (
    <>
      <circle
        cx="24"
        cy="24"
        r="18"
        fill={colour}
        stroke={shade(colour, -0.3)}
        strokeWidth="2"
        strokeDasharray="2 2.5"
      />
      <path d="M13 20c2-5 6-8 11-8" stroke={shade(colour, 0.35)} strokeWidth="3" fill="none" strokeLinecap="round" />
    </>
  ),
  dipped: (colour) => (
    <>
      <ellipse cx="24" cy="39" rx="21" ry="5.5" fill={shade(colour, -0.35)} />
      <circle cx="24" cy="23" r="18" fill={colour} stroke={shade(colour, -0.35)} strokeWidth="1.5" />
      <path d="M12 20c2-5 6-8 11-8" stroke={shade(colour, 0.4)} strokeWidth="3" fill="none" strokeLinecap="round" />
    </>
  ),
  moulded: (colour) => (
    <>
      <path d="M4 37a20 24 0 0 1 40 0z" fill={colour} stroke={shade(colour, -0.35)} strokeWidth="1.5" />
      <rect x="3" y="36" width="42" height="6" rx="2" fill={shade(colour, -0.35)} />
      <path d="M11 30c2-7 6-11 12-12" stroke={shade(colour, 0.45)} strokeWidth="3" fill="none" strokeLinecap="round" />
    </>
  ),
  piped: (colour) => (
    <>
      <path
        d="M24 4c3 8 17 15 17 27 0 8-7 12-17 12S7 39 7 31C7 19 21 12 24 4z"
        fill={colour}
        stroke={shade(colour, -0.35)}
        strokeWidth="1.5"
      />
      <path d="M12 30c8 5 16 5 24 0M16 22c5 3 11 3 16 0" stroke={shade(colour, -0.25)} strokeWidth="2" fill="none" />
    </>
  ),
  portion: (colour) => (
    <>
      <rect x="9" y="12" width="30" height="32" rx="5" fill={shade(colour, 0.55)} />
      <path d="M9 22h30v17a5 5 0 0 1-5 5H14a5 5 0 0 1-5-5z" fill={colour} />
      <rect x="11" y="4" width="26" height="9" rx="2" fill={shade(colour, -0.4)} />
    </>
  ),
};

/** A piece by its form: square, shard, ball, ball with a foot, dome, drop, jar. Decoration; its name stands beside it. */
export const PieceDrawing = ({
  kind,
  colour,
  size = 40,
}: {
  kind: PieceForm['kind'];
  colour: string;
  size?: number;
}) => (
  <svg viewBox="0 0 48 48" width={size} height={size} aria-hidden style={{ flexShrink: 0 }}>
    {shapes[kind](colour)}
  </svg>
);
