import { mdiClose } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { useEffect, useState } from 'react';
import { undo } from '../data/history';
import { hushed } from '../data/notices';
import { useAppDispatch, useAppSelector } from '../data/store';
import { Icon } from '../parts/Icon';

/** So long it is said what was done, unless it is being looked at, ms. */
const SAID_MS = 7000;

/** What has just been done, with a way to take it back: a place of its own, so that it covers nothing. */
export function NoticeBar() {
  const notice = useAppSelector((state) => state.notice);
  const dispatch = useAppDispatch();
  const [isHeld, setHeld] = useState(false);
  const change = notice?.change ?? null;
  useEffect(() => {
    if (!notice || notice.tone === 'trouble' || isHeld) return;
    const timer = setTimeout(() => dispatch(hushed()), SAID_MS);
    return () => {
      clearTimeout(timer);
    };
  }, [notice, isHeld, dispatch]);
  const hold = () => {
    setHeld(true);
  };
  const release = () => {
    setHeld(false);
  };
  return (
    <Box
      role={notice?.tone === 'trouble' ? 'alert' : 'status'}
      onMouseEnter={hold}
      onMouseLeave={release}
      onFocus={hold}
      onBlur={release}
    >
      {notice && (
        <Box
          sx={{
            display: 'flex',
            flexWrap: 'wrap',
            alignItems: 'center',
            columnGap: 0.5,
            p: 1,
            pl: 1.25,
            borderLeft: 5,
            borderColor: notice.tone === 'trouble' ? 'error.main' : 'hot.main',
            bgcolor: 'tape.main',
            color: 'tape.contrastText',
            typography: 'note',
          }}
        >
          <Box sx={{ flex: '1 1 100%', overflowWrap: 'anywhere' }}>{notice.text}</Box>
          {change !== null && (
            <Button color="inherit" size="small" onClick={() => void dispatch(undo(change))}>
              Undo
            </Button>
          )}
          <IconButton
            size="small"
            color="inherit"
            aria-label="Close the message"
            sx={{ ml: 'auto' }}
            onClick={() => dispatch(hushed())}
          >
            <Icon path={mdiClose} />
          </IconButton>
        </Box>
      )}
    </Box>
  );
}
