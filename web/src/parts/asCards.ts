/**
 * A table as cards on a phone, with the same facts: each row a card, its cells below each other. A cell that needs the name of its column
 * there has it as `data-name`.
 */
export const asCards = {
  '@media (max-width: 600px)': {
    '&, & > tbody, & > tfoot, & > * > tr, & > * > tr > td, & > * > tr > th': { display: 'block' },
    '& > thead, & > * > tr > td:empty': { display: 'none' },
    '& > * > tr': { px: 1.25, py: 1, borderBottom: 1, borderColor: 'divider' },
    '& > * > tr > td, & > * > tr > th': {
      p: 0,
      py: 0.25,
      border: 0,
      width: 'auto',
      minWidth: 0,
      maxWidth: 'none',
      textAlign: 'left',
      whiteSpace: 'normal',
    },
    '& > * > tr > td[data-name]::before': { content: 'attr(data-name) ": "', color: 'text.secondary' },
    // What is pressed with a floury hand.
    '& .MuiButton-root, & .MuiCheckbox-root': { minHeight: 44, minWidth: 44 },
  },
} as const;
