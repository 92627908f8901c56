/** How a table of rows looks here. */
export const gridLook = {
  bgcolor: 'background.paper',
  borderColor: 'divider',
  '--DataGrid-rowBorderColor': 'var(--mui-palette-divider)',
  '& .MuiDataGrid-cell': { py: 1, lineHeight: 1.35, whiteSpace: 'normal' },
} as const;
