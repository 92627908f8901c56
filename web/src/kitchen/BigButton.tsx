import Button, { type ButtonProps } from '@mui/material/Button';
import { styled } from '@mui/material/styles';

const Big = styled(Button)({
  minHeight: 64,
  minWidth: 64,
  fontSize: 19,
  fontWeight: 650,
  lineHeight: 1.15,
  borderWidth: 2,
});

/** A button for a knuckle: 64 px high and more. */
export const BigButton = ((props: ButtonProps) => <Big variant="outlined" {...props} />) as typeof Button;
