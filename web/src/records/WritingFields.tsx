import { measureHabits, type KitchenDraft, type MeasureHabit } from '@usual-pantry/core/kitchen';
import { usualWriting, type Locale, type Writing } from '@usual-pantry/core/quantity';
import { useFormContext, useWatch } from 'react-hook-form';
import { ChoiceInput, HeightInput } from '../parts/fields';

const places: readonly { readonly value: Locale; readonly label: string; readonly measures: MeasureHabit }[] = [
  { value: 'en-US', label: 'United States', measures: 'US' },
  { value: 'en-GB', label: 'United Kingdom', measures: 'UK' },
  { value: 'en-AU', label: 'Australia', measures: 'Australia' },
  { value: 'en-CA', label: 'Canada, English', measures: 'metric' },
  { value: 'fr-CA', label: 'Canada, French', measures: 'metric' },
];

const temperatures = [
  { value: 'F', label: 'Fahrenheit first' },
  { value: 'C', label: 'Celsius first' },
];

/** Where the maker is at home, which answers how everything is usually measured and written there. */
export function PlaceInput() {
  const { setValue } = useFormContext<KitchenDraft>();
  return (
    <ChoiceInput
      name="writing.locale"
      label="Figures and dates as in"
      choices={places}
      onPick={(picked) => {
        const place = places.find(({ value }) => value === picked);
        if (!place) return;
        const { temperature, ...writing } = usualWriting[place.value];
        setValue('writing', writing, { shouldDirty: true });
        setValue('temperatureFirst', temperature, { shouldDirty: true });
        setValue('measures', place.measures, { shouldDirty: true });
      }}
    />
  );
}

/** How high the kitchen lies, in the unit that the form has chosen. */
export const AltitudeInput = ({ label }: { label: string }) => (
  <HeightInput
    name="altitudeMetres"
    label={label}
    in={useWatch<KitchenDraft, 'writing.heights'>({ name: 'writing.heights' })}
    help="High up, sugar is done at a lower reading."
  />
);

export const TemperatureFirst = () => (
  <ChoiceInput name="temperatureFirst" label="Temperatures" choices={temperatures} />
);

export const CupInput = () => (
  <ChoiceInput
    name="measures"
    label="A cup and a spoon are"
    help="Where a pasted recipe does not say."
    choices={measureHabits.map((habit) => ({ value: habit, label: habit }))}
  />
);

/** What is chosen beside the place, each by itself: the field, its name, and what each choice is called. */
const others = [
  ['amountsFirst', 'In a recipe first', { grams: 'what the scale shows', measures: 'cups and spoons' }],
  ['lengths', 'Lengths', { mm: 'millimetres', in: 'inches' }],
  ['heights', 'Height above the sea', { m: 'metres', ft: 'feet' }],
  ['hours', 'The clock', { '24': '24 hours, 14:05', '12': '12 hours, 2:05 pm' }],
  ['weekStart', 'A week begins on', { Monday: 'Monday', Sunday: 'Sunday', Saturday: 'Saturday' }],
] as const satisfies readonly (readonly [keyof Writing, string, Readonly<Record<string, string>>])[];

/** Everything about how the kitchen measures and writes. */
export const WritingFields = () => (
  <>
    <PlaceInput />
    <TemperatureFirst />
    <CupInput />
    {others.map(([field, label, named]) => (
      <ChoiceInput
        key={field}
        name={`writing.${field}`}
        label={label}
        choices={Object.entries(named).map(([value, called]) => ({ value, label: called }))}
      />
    ))}
  </>
);
