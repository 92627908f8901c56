import Box from '@mui/material/Box';
import Drawer from '@mui/material/Drawer';
import Typography from '@mui/material/Typography';
import { skipToken } from '@reduxjs/toolkit/query';
import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { useBookQuery } from '../data/book';
import { useOrdersQuery } from '../data/orders';
import { arrowKeys } from '../parts/arrowKeys';
import { SearchField } from '../parts/SearchField';
import { find } from './places';

/** So many of a kind are shown. */
const MOST = 7;

interface FinderProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

function Found({ onClose }: Pick<FinderProps, 'onClose'>) {
  const [text, setText] = useState('');
  const [isWanted, setWanted] = useState(false);
  const sought = text.trim();
  const navigate = useNavigate();
  const { data: book } = useBookQuery();
  // What was found for other words is none of what is sought now.
  const { currentData: orders, isFetching } = useOrdersQuery(
    sought === ''
      ? skipToken
      : { page: 1, size: MOST, sort: 'handOverOn', direction: 'asc', search: sought, show: 'all' },
  );
  const groups = book ? find(book, orders?.items ?? [], sought, MOST) : [];
  const first = sought === '' ? undefined : groups[0]?.places[0];
  // Pressed before all is found, Enter opens the first of it when it is.
  useEffect(() => {
    if (isWanted && !isFetching && first) {
      onClose();
      void navigate(first.to);
    }
  }, [isWanted, isFetching, first, navigate, onClose]);
  const change = (typed: string) => {
    setText(typed);
    setWanted(false);
  };
  return (
    <Box
      component="form"
      aria-label="Find"
      onKeyDown={arrowKeys}
      onSubmit={(event) => {
        event.preventDefault();
        if (sought !== '') setWanted(true);
      }}
      sx={{ p: 2.25, display: 'grid', gap: 2 }}
    >
      <SearchField label="Find a record or something to do" value={text} onChange={change} autoFocus />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 3, alignItems: 'flex-start', minHeight: 220 }}>
        {groups.length === 0 && !isFetching && <p>Nothing is called “{sought}”.</p>}
        {groups.map(({ title, places }) => (
          <Box key={title} component="section" aria-label={title} sx={{ flex: '1 1 165px', maxWidth: 260 }}>
            <Typography variant="h3" sx={{ borderBottom: 2, borderColor: 'rim', pb: 0.5, mb: 0.5 }}>
              {title}
            </Typography>
            <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
              {places.map((place) => (
                <li key={place.to}>
                  <Box
                    component={Link}
                    to={place.to}
                    onClick={onClose}
                    sx={{
                      display: 'block',
                      px: 1,
                      py: 0.6,
                      borderRadius: 1,
                      color: 'text.primary',
                      textDecoration: 'none',
                      bgcolor: place === first ? 'tape.main' : 'transparent',
                      '&:hover, &:focus': { bgcolor: 'action.hover' },
                    }}
                  >
                    {place.name}
                    {title === 'Orders' && (
                      <Box component="span" sx={{ typography: 'fineFigures', color: 'text.secondary', ml: 1 }}>
                        {place.beside}
                      </Box>
                    )}
                  </Box>
                </li>
              ))}
            </Box>
          </Box>
        ))}
      </Box>
      <Box sx={{ typography: 'note', color: 'text.secondary' }}>
        {first ? `Enter opens ${first.name}. ` : ''}Arrows move, Esc closes.
      </Box>
    </Box>
  );
}

/** A drawer from above with everything that can be opened, a column a kind. */
export const Finder = ({ open, onClose }: FinderProps) => (
  <Drawer anchor="top" open={open} onClose={onClose}>
    {open && <Found onClose={onClose} />}
  </Drawer>
);
