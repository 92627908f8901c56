import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface PlainFormProps {
  readonly label: string;
  readonly onSubmit: () => Promise<unknown>;
  /** What was said when it was refused. */
  readonly trouble: string | null;
  readonly children: ReactNode;
}

/** A few fields that are sent together. */
export const PlainForm = ({ label, onSubmit, trouble, children }: PlainFormProps) => (
  <Box
    component="form"
    noValidate
    aria-label={label}
    onSubmit={(event) => {
      event.preventDefault();
      void onSubmit();
    }}
    sx={{ display: 'grid', gap: 1.5 }}
  >
    {trouble && <Alert severity="error">{trouble}</Alert>}
    {children}
  </Box>
);
