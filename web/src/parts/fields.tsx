import Autocomplete from '@mui/material/Autocomplete';
import InputAdornment from '@mui/material/InputAdornment';
import MenuItem from '@mui/material/MenuItem';
import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { termOfField } from '@usual-pantry/core/help';
import { heightUnit, lengthUnit, minorPerUnit, readMoney, toCelsius, toFahrenheit } from '@usual-pantry/core/quantity';
import { useState, type ReactNode } from 'react';
import { useController, useFormContext, type ControllerRenderProps } from 'react-hook-form';
import { useFieldError } from './fieldError';
import { useFieldNote } from './fieldNotes';
import { readNumber, sayTyped } from './readNumber';
import { WhatIs } from './WhatIs';

type Field = Omit<ControllerRenderProps, 'value'> & { readonly value: unknown };

interface FieldProps {
  /** Path in the form, such as `lines.0.amount`. */
  readonly name: string;
  readonly label: string;
  readonly help?: string;
}

/** What every field shares: its value, and what is wrong with it. */
function useField(name: string) {
  const { field } = useController({ name });
  return { field, message: useFieldError(name), note: useFieldNote(name) };
}

const helper = (message: string | undefined, note: ReactNode, help: string | undefined) => ({
  error: message !== undefined,
  helperText: message ?? note ?? help,
});

type Look = Pick<TextFieldProps, 'multiline' | 'type' | 'autoFocus' | 'sx' | 'placeholder'>;

/** Several lines, as many as the text has where the browser can do that by itself: measuring by script lays the whole form out anew. */
const severalLines = {
  sx: { '& textarea': { fieldSizing: 'content', minHeight: '2lh', height: 'auto', resize: 'vertical' } },
  slotProps: { input: { inputComponent: 'textarea' } },
} as const;
const dated = { slotProps: { inputLabel: { shrink: true } } };

export function TextInput({ name, label, help, ...look }: FieldProps & Look) {
  const { field, message, note } = useField(name);
  const { ref, value, ...rest } = field as Field;
  return (
    <TextField
      label={label}
      {...rest}
      value={value ?? ''}
      inputRef={ref}
      {...helper(message, note, help)}
      {...look}
      {...(look.multiline ? severalLines : look.type === 'date' ? dated : {})}
    />
  );
}

/** How a stored number is typed: as it is, in other units, or on another scale. */
interface Typing {
  readonly say: (stored: number) => number;
  /** NaN for what is no number. */
  readonly read: (text: string) => number;
}

/** @param decimals how many are shown; typed ones are all kept */
const inUnitsOf = (scale: number, decimals = 6): Typing => ({
  say: (stored) => Number((stored / scale).toFixed(decimals)),
  read: (text) => (scale === 1 ? readNumber(text) : Number((readNumber(text) * scale).toFixed(6))),
});

const sayValue = (value: unknown, { say }: Typing): string =>
  typeof value === 'number' && Number.isFinite(value) ? sayTyped(say(value)) : '';

interface NumberProps extends FieldProps {
  readonly unit?: string;
  /** How many stored units one typed unit is: 100 for money in cents. */
  readonly scale?: number;
  /** An empty field is null instead of wrong. */
  readonly optional?: boolean;
  readonly sx?: TextFieldProps['sx'];
}

/** What stands at the end of a field: its unit, and what it means where its name does not say it. */
const Ending = ({ label, unit }: { label: string; unit?: string | undefined }) =>
  unit || termOfField(label) ? (
    <InputAdornment position="end">
      {unit}
      <WhatIs label={label} />
    </InputAdornment>
  ) : null;

/** Keeps what was typed, even when it is no number, and says so. */
export const NumberInput = ({ scale = 1, ...props }: NumberProps) => (
  <TypedInput {...props} typing={inUnitsOf(scale)} />
);

function TypedInput({
  name,
  label,
  help,
  unit,
  typing,
  optional = false,
  sx,
  onText,
}: Omit<NumberProps, 'scale'> & { readonly typing: Typing; readonly onText?: (text: string) => void }) {
  const { field, message, note } = useField(name);
  const [typed, setTyped] = useState<{ text: string; value: unknown }>({
    text: sayValue(field.value, typing),
    value: field.value,
  });
  const text = Object.is(typed.value, field.value) ? typed.text : sayValue(field.value, typing);
  return (
    <TextField
      label={label}
      name={field.name}
      inputRef={field.ref}
      value={text}
      onBlur={() => {
        // What was typed with a sign or a unit is shown as the number that was read.
        if (typeof field.value === 'number' && Number.isFinite(field.value))
          setTyped({ text: sayValue(field.value, typing), value: field.value });
        field.onBlur();
      }}
      onChange={({ target }) => {
        const value = optional && target.value.trim() === '' ? null : typing.read(target.value);
        setTyped({ text: target.value, value });
        field.onChange(value);
        onText?.(target.value);
      }}
      {...helper(message, note, help)}
      {...(sx ? { sx } : {})}
      slotProps={{
        htmlInput: { inputMode: 'decimal', autoComplete: 'off' },
        input: { endAdornment: <Ending label={label} unit={unit} /> },
      }}
    />
  );
}

/** A length in the kitchen's unit; it is stored in mm. */
export function LengthInput(props: Omit<NumberProps, 'scale' | 'unit'>) {
  const { unit, stored } = lengthUnit();
  return <TypedInput {...props} unit={unit} typing={inUnitsOf(stored, 3)} />;
}

/** A height above the sea, stored in m. @param in the unit in which it is typed: that which the form has chosen */
export function HeightInput({ in: chosen, ...props }: Omit<NumberProps, 'scale' | 'unit'> & { in: 'm' | 'ft' }) {
  const { unit, stored } = heightUnit(chosen);
  return <TypedInput key={unit} {...props} unit={unit} typing={inUnitsOf(stored, 0)} />;
}

const celsius: Typing = { say: (stored) => Number(stored.toFixed(1)), read: readNumber };
const fahrenheit: Typing = {
  say: (stored) => Number(toFahrenheit(stored).toFixed(1)),
  read: (text) => toCelsius(readNumber(text)),
};

/** A temperature in the scale that the kitchen uses first; it is stored in C. */
export const TemperatureInput = ({
  scale,
  ...props
}: Omit<NumberProps, 'scale' | 'unit'> & { readonly scale: 'C' | 'F' }) => (
  <TypedInput {...props} unit={scale} typing={scale === 'F' ? fahrenheit : celsius} />
);

/** An amount of money in its currency. */
export const MoneyInput = ({
  currency,
  ...props
}: Omit<NumberProps, 'scale' | 'unit'> & { readonly currency: string }) => (
  <TypedInput
    {...props}
    unit={currency}
    typing={{ say: inUnitsOf(minorPerUnit(currency)).say, read: (text) => readMoney(text, currency) }}
  />
);

/** An amount whose unit stands in a field beside it: typed with a unit, it sets both. */
export function AmountInput({
  unitName,
  readAmount,
  ...props
}: Omit<NumberProps, 'scale' | 'unit'> & {
  /** Path of the unit in the form. */
  readonly unitName: string;
  readonly readAmount: (text: string) => { readonly amount: number; readonly unit: string } | null;
}) {
  const { setValue } = useFormContext();
  const plain = inUnitsOf(1);
  return (
    <TypedInput
      {...props}
      typing={{
        say: plain.say,
        read: (text) => {
          const number = readNumber(text);
          return Number.isNaN(number) ? (readAmount(text)?.amount ?? NaN) : number;
        },
      }}
      onText={(text) => {
        const read = Number.isNaN(readNumber(text)) ? readAmount(text) : null;
        if (read) setValue(unitName, read.unit, { shouldDirty: true });
      }}
    />
  );
}

const MINUTES_AN_HOUR = 60;

/** A time of day, stored in minutes after midnight; an empty field is null. */
export function TimeInput({ name, label, help }: FieldProps) {
  const { field, message, note } = useField(name);
  const { ref, value, onChange, ...rest } = field as Field;
  const text =
    typeof value === 'number'
      ? [Math.floor(value / MINUTES_AN_HOUR), value % MINUTES_AN_HOUR]
          .map((part) => String(part).padStart(2, '0'))
          .join(':')
      : '';
  return (
    <TextField
      type="time"
      label={label}
      {...rest}
      value={text}
      onChange={({ target }) => {
        const [hours = NaN, minutes = NaN] = target.value.split(':').map(Number);
        onChange(target.value === '' ? null : hours * MINUTES_AN_HOUR + minutes);
      }}
      inputRef={ref}
      {...helper(message, note, help)}
      slotProps={{ inputLabel: { shrink: true } }}
    />
  );
}

/** One of a list. */
export function ChoiceInput({
  name,
  label,
  help,
  choices,
  onPick,
  empty,
  sx,
}: FieldProps & {
  readonly choices: readonly { readonly value: string; readonly label: string }[];
  /** Called instead of setting the value. */
  readonly onPick?: (value: string) => void;
  /** What the empty choice stands for, where it is not the empty text. */
  readonly empty?: null;
  readonly sx?: TextFieldProps['sx'];
}) {
  const { field, message, note } = useField(name);
  const { ref, value, ...rest } = field as Field;
  return (
    <TextField
      select
      label={label}
      {...rest}
      onChange={({ target }) => {
        if (onPick) onPick(target.value);
        else field.onChange(target.value === '' && empty === null ? null : target.value);
      }}
      value={value ?? ''}
      inputRef={ref}
      {...helper(message, note, help)}
      {...(sx ? { sx } : {})}
      slotProps={
        termOfField(label)
          ? {
              input: {
                endAdornment: (
                  <InputAdornment position="end" sx={{ mr: 2.5 }}>
                    <WhatIs label={label} />
                  </InputAdornment>
                ),
              },
            }
          : {}
      }
    >
      {choices.map((choice) => (
        <MenuItem key={choice.value} value={choice.value}>
          {choice.label}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface PickProps extends FieldProps {
  readonly options: readonly string[];
  readonly nameOf: (option: string) => string;
}

/** One of a long list, found by typing. */
export function PickInput({ name, label, help, options, nameOf }: PickProps) {
  const { field, message, note } = useField(name);
  const value = (field.value as string | null | undefined) ?? null;
  return (
    <Autocomplete
      options={options}
      value={value === '' ? null : value}
      getOptionLabel={nameOf}
      onChange={(_event, picked) => {
        field.onChange(picked ?? '');
      }}
      onBlur={field.onBlur}
      renderInput={(props) => (
        <TextField {...props} label={label} inputRef={field.ref} {...helper(message, note, help)} />
      )}
    />
  );
}

/** Several of a list, under headings where a list has some. */
export function ManyInput({
  name,
  label,
  help,
  options,
  nameOf,
  groupOf,
}: PickProps & { readonly groupOf?: (option: string) => string }) {
  const { field, message, note } = useField(name);
  return (
    <Autocomplete
      multiple
      options={options}
      disableCloseOnSelect
      value={field.value as string[]}
      getOptionLabel={nameOf}
      {...(groupOf ? { groupBy: groupOf } : {})}
      onChange={(_event, picked) => {
        field.onChange(picked);
      }}
      onBlur={field.onBlur}
      renderInput={(props) => (
        <TextField {...props} label={label} inputRef={field.ref} {...helper(message, note, help)} />
      )}
    />
  );
}
