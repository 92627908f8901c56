import type { RecipeLine } from '@usual-pantry/core/recipe';

type Entering = Pick<RecipeLine, 'atStep'>;

const mapped = <L extends Entering>(lines: readonly L[], to: (step: number) => number): L[] =>
  lines.map((line) => (line.atStep === null ? line : { ...line, atStep: to(line.atStep) }));

/** The lines when two steps have changed places: each still goes in at its own step. */
export const afterSwap = <L extends Entering>(lines: readonly L[], one: number, other: number): L[] =>
  mapped(lines, (step) => (step === one ? other : step === other ? one : step));

/** The lines when a step is gone: what went in there goes in at the one that follows. */
export const afterRemoval = <L extends Entering>(lines: readonly L[], gone: number): L[] =>
  mapped(lines, (step) => (step > gone ? step - 1 : step));
