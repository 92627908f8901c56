import Box from '@mui/material/Box';
import { useState, type ReactNode } from 'react';

/** What is worked out only when it is opened. */
export function OpensLater({ title, children }: { title: string; children: ReactNode }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <Box
      component="details"
      open={isOpen}
      onToggle={({ currentTarget }) => {
        setIsOpen(currentTarget.open);
      }}
      sx={{ mt: 1.5 }}
    >
      <Box component="summary" sx={{ cursor: 'pointer', fontWeight: 650, minHeight: 32 }}>
        {title}
      </Box>
      {isOpen && <Box sx={{ pt: 1 }}>{children}</Box>}
    </Box>
  );
}
