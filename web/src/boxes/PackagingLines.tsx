import { ChoiceInput, MoneyInput, NumberInput, TextInput } from '../parts/fields';
import { Lines } from '../parts/Lines';

const kinds = ['packaging', 'filler'].map((value) => ({ value, label: value }));

/** What the pieces are packed in, and what fills the room between them. */
export const PackagingLines = ({ currency }: { currency: string }) => (
  <Lines
    name="packaging"
    one="packaging or filler"
    fresh={{ name: '', kind: 'packaging', costMinor: NaN, grams: 0 }}
    columns="2fr 130px 1fr 1fr"
  >
    {(path) => (
      <>
        <TextInput name={`${path}.name`} label="What" />
        <ChoiceInput name={`${path}.kind`} label="Is" choices={kinds} />
        <MoneyInput name={`${path}.costMinor`} label="Cost" currency={currency} />
        <NumberInput name={`${path}.grams`} label="Weight" unit="g" />
      </>
    )}
  </Lines>
);
