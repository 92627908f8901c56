import TextField, { type TextFieldProps } from '@mui/material/TextField';
import { useState } from 'react';

export interface SettledFieldProps extends Pick<TextFieldProps, 'helperText' | 'multiline' | 'type' | 'sx'> {
  readonly label: string;
  /** As it is stored, in words. */
  readonly value: string;
  /** Stores what was typed. @returns whether it was taken */
  readonly onSettle: (typed: string) => Promise<boolean> | boolean;
}

/** A field whose typing is stored when it is left, or on Enter. What is not taken stays as it was typed, and is marked. */
export function SettledField({ label, value, onSettle, ...look }: SettledFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [isWrong, setWrong] = useState(false);
  const settle = async () => {
    if (typed === null || typed === value) {
      setTyped(null);
      setWrong(false);
      return;
    }
    const taken = await onSettle(typed);
    setWrong(!taken);
    if (taken) setTyped(null);
  };
  return (
    <TextField
      label={label}
      size="small"
      value={typed ?? value}
      error={isWrong}
      onChange={(event) => {
        setTyped(event.target.value);
      }}
      onBlur={() => void settle()}
      onKeyDown={(event) => {
        if (event.key === 'Enter' && !look.multiline) void settle();
      }}
      {...look}
    />
  );
}
