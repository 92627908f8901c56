import type { GridSlotProps } from '@mui/x-data-grid';
import { useEffect, useRef, type CSSProperties } from 'react';

const look: CSSProperties = { width: 20, height: 20, margin: 0, accentColor: 'var(--mui-palette-primary-main)' };

/** Chooses a row, or all of a page: the browser's own box, which is drawn in no time however many rows there are. */
export function TickBox({
  checked,
  indeterminate = false,
  disabled,
  autoFocus,
  tabIndex,
  className,
  onChange,
  onClick,
  onKeyDown,
  slotProps,
}: GridSlotProps['baseCheckbox']) {
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (box.current) box.current.indeterminate = indeterminate;
  }, [indeterminate]);
  useEffect(() => {
    if (autoFocus) box.current?.focus({ preventScroll: true });
  }, [autoFocus]);
  return (
    <input
      type="checkbox"
      {...slotProps?.htmlInput}
      ref={box}
      checked={checked}
      disabled={disabled}
      tabIndex={tabIndex}
      className={className}
      style={look}
      onChange={onChange}
      onClick={onClick}
      onKeyDown={onKeyDown}
    />
  );
}
