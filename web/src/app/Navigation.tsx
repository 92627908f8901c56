import type { PlanSummary } from '@usual-pantry/core/api';
import { mdiDotsHorizontal, mdiKeyboardOutline, mdiMagnify } from '@mdi/js';
import BottomNavigation from '@mui/material/BottomNavigation';
import ButtonBase from '@mui/material/ButtonBase';
import BottomNavigationAction from '@mui/material/BottomNavigationAction';
import Box from '@mui/material/Box';
import ListItemIcon from '@mui/material/ListItemIcon';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { memo, useEffect, useRef, useState, type ReactNode } from 'react';
import { Link, NavLink, useLocation, useNavigate } from 'react-router';
import { Icon } from '../parts/Icon';
import { manualScreen, type Screen } from './screens';
import { fetchAhead } from './chunks';
import { useScreens } from './useScreens';
import { NoticeBar } from './NoticeBar';
import type { Over } from './Shortcuts';
import { NAV_WIDTH, STRIP_HEIGHT } from '../parts/theme';
import { useBookQuery } from '../data/book';

/** The count beside a name, where it says something. */
function useCounts(plan: PlanSummary | undefined): Record<string, string> {
  const { data: book } = useBookQuery();
  return {
    Orders: plan ? String(plan.orders) : '',
    Boxes: book ? String(book.boxes.length) : '',
    Recipes: book ? String(book.recipes.length) : '',
    Pantry: book ? String(book.ingredients.length) : '',
    Plan: plan ? String(plan.batches) : '',
    Labels: plan ? String(plan.labels) : '',
  };
}

const Badge = ({ children }: { children: ReactNode }) => (
  <Box
    component="kbd"
    aria-hidden
    sx={{
      typography: 'fineFigures',
      border: 1,
      borderColor: 'currentColor',
      borderRadius: 0.75,
      px: 0.6,
      opacity: 0.7,
    }}
  >
    {children}
  </Box>
);

const entryLook = {
  display: 'flex',
  alignItems: 'center',
  justifyContent: 'flex-start',
  gap: 1,
  px: 1.25,
  py: 0.9,
  borderRadius: 1.5,
  color: 'text.primary',
  textDecoration: 'none',
  fontWeight: 600,
  typography: 'body1',
  '&:hover': { bgcolor: 'action.hover' },
  '&:active': { bgcolor: 'action.selected' },
  '&.pending': { bgcolor: 'action.selected' },
  '&.active, &.active:hover': { bgcolor: 'primary.main', color: 'primary.contrastText' },
};

const Entry = memo(function Entry({ screen, count }: { screen: Screen; count: string }) {
  return (
    <Box
      component={NavLink}
      to={screen.path}
      end={screen.path === '/'}
      sx={entryLook}
      onPointerEnter={() => {
        fetchAhead(screen.path);
      }}
      onFocus={() => {
        fetchAhead(screen.path);
      }}
    >
      <strong style={{ flex: 1, fontWeight: 600 }}>{screen.name}</strong>
      <Box component="span" sx={{ typography: 'fineFigures', opacity: 0.85 }}>
        {count}
      </Box>
      {screen.key !== '' && <Badge>{screen.key}</Badge>}
    </Box>
  );
});

/** An entry that opens something over the screen. */
const Opener = ({ name, keys, onClick }: { name: string; keys: string; onClick: () => void }) => (
  <ButtonBase onClick={onClick} sx={entryLook}>
    <strong style={{ flex: 1, fontWeight: 600, textAlign: 'left' }}>{name}</strong>
    <Badge>{keys}</Badge>
  </ButtonBase>
);

interface NavigationProps {
  readonly plan: PlanSummary | undefined;
  readonly onOver: (over: Over) => void;
}

/** Down the left, in the order of the work. */
export function Navigation({ plan, onOver }: NavigationProps) {
  const counts = useCounts(plan);
  const { screens, settings } = useScreens();
  return (
    <Box
      component="nav"
      aria-label="Screens"
      sx={{
        width: NAV_WIDTH,
        flexShrink: 0,
        position: 'sticky',
        top: 0,
        height: '100dvh',
        overflowY: 'auto',
        display: 'flex',
        flexDirection: 'column',
        bgcolor: 'background.paper',
        borderRight: 2,
        borderColor: 'rim',
      }}
    >
      <Box
        sx={{
          minHeight: STRIP_HEIGHT,
          px: 2.25,
          display: 'flex',
          flexDirection: 'column',
          justifyContent: 'center',
          bgcolor: 'rim',
          color: '#fff',
        }}
      >
        <Typography variant="h2" component="p" sx={{ typography: 'title' }}>
          Usual Pantry
        </Typography>
        <Typography variant="caption" noWrap>
          {plan?.maker ?? ' '}
        </Typography>
      </Box>
      <Box sx={{ p: 1.25, display: 'flex', flexDirection: 'column', gap: 0.25, flex: 1 }}>
        {screens.map((screen) => (
          <Entry key={screen.path} screen={screen} count={counts[screen.name] ?? ''} />
        ))}
        <Box sx={{ flex: 1 }} />
        <NoticeBar />
        <Entry screen={manualScreen} count="" />
        {settings && (
          <Opener
            name="Find"
            keys="Alt+S"
            onClick={() => {
              onOver('finder');
            }}
          />
        )}
        <Opener
          name="Keys"
          keys="F1"
          onClick={() => {
            onOver('keys');
          }}
        />
        {settings && <Entry screen={settings} count="" />}
      </Box>
    </Box>
  );
}

const openers = [
  { over: 'finder', name: 'Find', icon: mdiMagnify },
  { over: 'keys', name: 'Keys', icon: mdiKeyboardOutline },
] as const;

/** Along the foot of a phone: what is used standing up, the rest behind More. */
export function BottomBar({ onOver }: Pick<NavigationProps, 'onOver'>) {
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { screens, settings } = useScreens();
  const bar = useRef<HTMLElement>(null);
  useEffect(() => {
    // A message makes it higher: what is stuck to the foot stands above it, and nothing is covered.
    const { style } = document.documentElement;
    const watch = new ResizeObserver(() => {
      style.setProperty('--foot', `${String(bar.current?.offsetHeight ?? 0)}px`);
    });
    if (bar.current) watch.observe(bar.current);
    return () => {
      watch.disconnect();
      style.removeProperty('--foot');
    };
  }, []);
  const standing = screens.filter((screen) => screen.standing);
  const others = [...screens.filter((screen) => !screen.standing), ...(settings ? [settings] : []), manualScreen];
  const current = [...standing]
    .reverse()
    .find(({ path }) => pathname === path || (path !== '/' && pathname.startsWith(path)));
  return (
    <Paper
      ref={bar}
      component="nav"
      aria-label="Screens"
      square
      sx={{
        position: 'fixed',
        bottom: 0,
        left: 0,
        right: 0,
        zIndex: 1200,
        borderTop: 2,
        borderColor: 'rim',
      }}
    >
      <NoticeBar />
      <BottomNavigation showLabels value={current?.path ?? 'more'} sx={{ height: 62 }}>
        {standing.map(({ path, name, icon }) => (
          <BottomNavigationAction
            key={path}
            value={path}
            label={name}
            icon={<Icon path={icon} />}
            component={Link}
            to={path}
            sx={{ minWidth: 60 }}
          />
        ))}
        {others.length > 0 && (
          <BottomNavigationAction
            value="more"
            label="More"
            aria-haspopup="menu"
            icon={<Icon path={mdiDotsHorizontal} />}
            onClick={(event) => {
              setAnchor(event.currentTarget);
            }}
            sx={{ minWidth: 60 }}
          />
        )}
      </BottomNavigation>
      <Menu
        anchorEl={anchor}
        open={anchor !== null}
        onClose={() => {
          setAnchor(null);
        }}
      >
        {others.map(({ path, name, icon }) => (
          <MenuItem
            key={path}
            sx={{ minHeight: 48 }}
            onClick={() => {
              setAnchor(null);
              void navigate(path);
            }}
          >
            <ListItemIcon>
              <Icon path={icon} />
            </ListItemIcon>
            {name}
          </MenuItem>
        ))}
        {openers.map(({ over, name, icon }) => (
          <MenuItem
            key={over}
            sx={{ minHeight: 48 }}
            onClick={() => {
              setAnchor(null);
              onOver(over);
            }}
          >
            <ListItemIcon>
              <Icon path={icon} />
            </ListItemIcon>
            {name}
          </MenuItem>
        ))}
      </Menu>
    </Paper>
  );
}
