import { mdiHelpCircleOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Popover from '@mui/material/Popover';
import { termOfField } from '@usual-pantry/core/help';
import { useState } from 'react';
import { Icon } from './Icon';

/** What a field means, one tap away; nothing where its name says it all. */
export function WhatIs({ label }: { label: string }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const term = termOfField(label);
  if (!term) return null;
  return (
    <>
      <IconButton
        size="small"
        aria-label={`What is this: ${label}`}
        onClick={(event) => {
          event.preventDefault();
          setAnchor(event.currentTarget);
        }}
      >
        <Icon path={mdiHelpCircleOutline} sx={{ typography: 'large' }} />
      </IconButton>
      <Popover
        open={anchor !== null}
        anchorEl={anchor}
        onClose={() => {
          setAnchor(null);
        }}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
      >
        <Box sx={{ p: 1.5, maxWidth: 320 }}>
          <strong>{term.word}</strong>
          <br />
          {term.says}
        </Box>
      </Popover>
    </>
  );
}
