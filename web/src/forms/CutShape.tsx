import { useWatch } from 'react-hook-form';
import { ChoiceInput, LengthInput } from '../parts/fields';

const shapes = [
  { value: 'rectangle', label: 'squares or bars' },
  { value: 'round', label: 'discs, by a round cutter' },
];

/** Whether it is cut into bars or into discs, and how large they are. */
export function CutShape({ path }: { path: string }) {
  const isRound = useWatch({ name: `${path}.shape` }) === 'round';
  return (
    <>
      <ChoiceInput name={`${path}.shape`} label="Cut into" choices={shapes} />
      <LengthInput name={`${path}.pieceLengthMm`} label={isRound ? 'Across a disc' : 'Piece length'} />
      {!isRound && <LengthInput name={`${path}.pieceWidthMm`} label="Piece width" />}
    </>
  );
}
