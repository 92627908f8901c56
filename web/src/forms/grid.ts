/** Fields side by side, two on a phone. */
export const FIELD_GRID = {
  display: 'grid',
  gap: 1.5,
  gridTemplateColumns: { xs: '1fr 1fr', md: 'repeat(4, 1fr)' },
} as const;
