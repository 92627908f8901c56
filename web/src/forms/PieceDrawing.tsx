import type { PieceForm } from '@usual-pantry/core/piece';
import { formViews } from './registry';

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
    {formViews[kind].draw(colour)}
  </svg>
);
