import SvgIcon, { type SvgIconProps } from '@mui/material/SvgIcon';

/** One path of the icon set. Decoration: what it means stands beside it in words, or in its button's name. */
export const Icon = ({ path, ...props }: { path: string } & SvgIconProps) => (
  <SvgIcon {...props} aria-hidden>
    <path d={path} />
  </SvgIcon>
);
