import { NumberInput, TextInput } from '../parts/fields';
import { Lines } from '../parts/Lines';

/** What the pieces are packed in. */
export const PackagingLines = ({ currency }: { currency: string }) => (
  <Lines name="packaging" one="packaging line" fresh={{ name: '', costMinor: NaN, grams: 0 }} columns="2fr 1fr 1fr">
    {(path) => (
      <>
        <TextInput name={`${path}.name`} label="Packaging" />
        <NumberInput name={`${path}.costMinor`} label="Cost" scale={100} unit={currency} />
        <NumberInput name={`${path}.grams`} label="Weight" unit="g" />
      </>
    )}
  </Lines>
);
