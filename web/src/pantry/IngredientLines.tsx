import Box from '@mui/material/Box';
import type { MeasureHabit } from '@usual-pantry/core/kitchen';
import { readHolds } from '@usual-pantry/core/reading';
import { AmountInput, ChoiceInput, MoneyInput, NumberInput, PickInput, TextInput } from '../parts/fields';
import { Lines } from '../parts/Lines';
import type { SeasonBook } from '../data/useSeason';
import { unitChoices } from '../parts/unitChoices';

export const PackLines = ({ currency, measures }: { currency: string; measures: MeasureHabit }) => (
  <Lines
    name="packs"
    one="pack"
    fresh={{ name: '', amount: NaN, unit: 'lb', priceMinor: NaN, supplier: '', leadDays: 0 }}
    columns="1.6fr 1fr 1fr"
  >
    {(path) => (
      <>
        <TextInput name={`${path}.name`} label="Pack" />
        <AmountInput
          name={`${path}.amount`}
          unitName={`${path}.unit`}
          label="Holds"
          readAmount={(text) => readHolds(text, measures)}
        />
        <ChoiceInput name={`${path}.unit`} label="Unit" choices={unitChoices} />
        <MoneyInput name={`${path}.priceMinor`} label="Price" currency={currency} />
        <TextInput name={`${path}.supplier`} label="Shop" />
        <NumberInput name={`${path}.leadDays`} label="Arrives after" unit="days" />
      </>
    )}
  </Lines>
);

/** Parts of what is on hand that must be used by a day. */
export const LotLines = () => (
  <Lines name="lots" one="lot" fresh={{ grams: NaN, useBy: '' }} columns="1fr 1fr">
    {(path) => (
      <>
        <NumberInput name={`${path}.grams`} label="Of it" unit="g" />
        <TextInput name={`${path}.useBy`} label="To use by" type="date" />
      </>
    )}
  </Lines>
);

export const DensityLines = () => (
  <Lines name="densities" one="state" fresh={{ state: '', gramsPerMl: NaN }} columns="1fr 1fr">
    {(path) => (
      <>
        <TextInput name={`${path}.state`} label="State (packed, chopped ...)" />
        <NumberInput name={`${path}.gramsPerMl`} label="Density" unit="g/mL" help="A US cup is 236.6 mL." />
      </>
    )}
  </Lines>
);

export const PartLines = () => (
  <Box sx={{ mt: 1.5 }}>
    <Lines
      name="declaration.parts"
      one="sub-ingredient"
      fresh={{ name: '', percent: null, french: '' }}
      columns="2fr 1fr 2fr"
    >
      {(path) => (
        <>
          <TextInput name={`${path}.name`} label="Sub-ingredient" />
          <NumberInput name={`${path}.percent`} label="Share" unit="%" optional />
          <TextInput name={`${path}.french`} label="In French" />
        </>
      )}
    </Lines>
  </Box>
);

/** What may stand in for it. */
export const SubstituteLines = ({ season, self }: { season: SeasonBook; self: string | undefined }) => {
  const { ingredients } = season.data;
  return (
    <Lines name="substitutes" one="substitute" fresh={{ ingredientId: '', ratio: 1, note: '' }} columns="2fr 1fr 2fr">
      {(path) => (
        <>
          <PickInput
            name={`${path}.ingredientId`}
            label="Substitute"
            options={ingredients.filter(({ id }) => id !== self).map(({ id }) => id)}
            nameOf={(id) => ingredients.find((each) => each.id === id)?.name ?? id}
          />
          <NumberInput name={`${path}.ratio`} label="Grams for one" />
          <TextInput name={`${path}.note`} label="What to mind" />
        </>
      )}
    </Lines>
  );
};
