import { mdiPlus } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import { foldText } from '@usual-pantry/core/record';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Link } from 'react-router';
import { Icon } from '../parts/Icon';
import { SearchField } from '../parts/SearchField';
import { arrowKeys } from '../parts/arrowKeys';

/** One line of a list. */
export interface ListItem {
  readonly id: string;
  readonly name: string;
  readonly below: ReactNode;
  readonly mark?: ReactNode;
}

interface RecordListProps {
  readonly title: string;
  readonly items: readonly ListItem[];
  /** Where the records are: `/recipes`. */
  readonly base: string;
  readonly openId: string | undefined;
  readonly newLabel: string;
  readonly empty: ReactNode;
  readonly columns?: boolean;
}

/** A list that is searched by typing and walked by arrows; each line opens its record. */
export function RecordList({ title, items, base, openId, newLabel, empty, columns = false }: RecordListProps) {
  const [search, setSearch] = useState('');
  const section = useRef<HTMLElement>(null);
  const wasOpen = useRef(openId);
  useEffect(() => {
    // What was closed gives the focus back to its line.
    if (openId === undefined && wasOpen.current !== undefined && document.activeElement === document.body)
      section.current?.querySelector<HTMLElement>(`a[href="${base}/${wasOpen.current}"]`)?.focus();
    wasOpen.current = openId;
  }, [base, openId]);
  const shown = items.filter((item) => foldText(item.name).includes(foldText(search.trim())));
  return (
    <Box ref={section} component="section" aria-label={title} onKeyDown={arrowKeys}>
      <Box sx={{ display: 'flex', gap: 1, mb: 1.25, maxWidth: 520 }}>
        <SearchField label={`Search ${title.toLowerCase()}`} value={search} onChange={setSearch} />
        <Button
          component={Link}
          to={`${base}/new`}
          variant="contained"
          startIcon={<Icon path={mdiPlus} />}
          sx={{ flexShrink: 0 }}
        >
          {newLabel}
        </Button>
      </Box>
      {items.length === 0 ? empty : shown.length === 0 ? <p>Nothing is called “{search}”.</p> : null}
      <Box
        component="ul"
        sx={{
          listStyle: 'none',
          m: 0,
          p: 0,
          display: 'grid',
          gap: 0.75,
          gridTemplateColumns: columns ? 'repeat(auto-fill, minmax(280px, 1fr))' : '1fr',
        }}
      >
        {shown.map((item) => (
          <li key={item.id}>
            <Paper
              component={Link}
              to={`${base}/${item.id}`}
              variant="outlined"
              aria-current={item.id === openId ? 'true' : undefined}
              sx={{
                display: 'flex',
                gap: 1.25,
                alignItems: 'center',
                p: 1,
                px: 1.25,
                height: '100%',
                textDecoration: 'none',
                color: 'text.primary',
                borderColor: item.id === openId ? 'hot.main' : 'divider',
                boxShadow: item.id === openId ? 'inset 4px 0 0 var(--mui-palette-hot-main)' : 'none',
                '&:hover': { bgcolor: 'action.hover' },
              }}
            >
              {item.mark}
              <Box sx={{ minWidth: 0 }}>
                <Box sx={{ fontWeight: 650, lineHeight: 1.25 }}>{item.name}</Box>
                <Box sx={{ color: 'text.secondary', typography: 'note' }}>{item.below}</Box>
              </Box>
            </Paper>
          </li>
        ))}
      </Box>
    </Box>
  );
}
