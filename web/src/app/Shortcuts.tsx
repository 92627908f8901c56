import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useEffect, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useLocation, useNavigate } from 'react-router';
import { redo, undo } from '../data/history';
import { useAppDispatch } from '../data/store';
import { Finder } from './Finder';
import { screens, settingsScreen } from './screens';

const all = [...screens, settingsScreen];

const others: readonly (readonly [string, string])[] = [
  ['Alt+S', 'Find a record or something to do'],
  ['Alt+N', 'New: of what the screen shows'],
  ['Alt+E', 'Edit the open recipe'],
  ['arrows', 'Move in a list, a table, the days of the season'],
  ['Enter', 'Open'],
  ['Esc', 'Close what is open beside the list'],
  ['Ctrl+Enter', 'Save'],
  ['Ctrl+Z', 'Undo'],
  ['Ctrl+Shift+Z', 'Redo'],
  ['arrows, 1 to 9, 0, x', 'In the tray of a box: move, place a piece of the shelf, clear a cell'],
  ['Space, ←, t, m', 'At the bench: weighed or next step, the step before, tare, mark a moment'],
  ['F1', 'This list'],
];

/** Screens on which something else than an order is made new. */
const ownNew = ['/boxes', '/recipes', '/pantry'];

/** What is open over the screen. */
export type Over = 'keys' | 'finder' | null;

interface ShortcutsProps {
  readonly over: Over;
  readonly onOver: (over: Over) => void;
}

function KeyList({ onClose }: { onClose: () => void }) {
  const rows = [...all.map(({ key, name }) => [key, `Go to ${name}`] as const), ...others];
  return (
    <>
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Table size="small">
          <TableBody>
            {rows.map(([key, what]) => (
              <TableRow key={key}>
                <TableCell component="th" scope="row">
                  <kbd>{key}</kbd>
                </TableCell>
                <TableCell>{what}</TableCell>
              </TableRow>
            ))}
          </TableBody>
        </Table>
      </DialogContent>
      <DialogActions>
        <Button component={Link} to="/manual" onClick={onClose}>
          Manual
        </Button>
        <Button component={Link} to="/words" onClick={onClose}>
          Words
        </Button>
        <Button component={Link} to="/changes" onClick={onClose}>
          What can be undone
        </Button>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </>
  );
}

/** Goes to a screen by its digit, and makes new what the screen shows. The focus goes along. */
function useScreenKeys() {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const goes = useRef(false);
  useEffect(() => {
    if (goes.current) document.getElementById('screen')?.focus();
    goes.current = false;
  }, [pathname]);
  useHotkeys(
    all.map(({ key }) => key),
    (event) => {
      const screen = all.find(({ key }) => key === event.key);
      if (!screen) return;
      goes.current = true;
      void navigate(screen.path);
    },
    { useKey: true, preventDefault: true },
  );
  const makeNew = () => {
    // Asked when it is pressed: the screen may just be changing.
    const { pathname: now } = window.location;
    void navigate(`${ownNew.find((path) => now.startsWith(path)) ?? '/orders'}/new`);
  };
  useHotkeys('alt+n', makeNew, { preventDefault: true, enableOnFormTags: true });
}

/** Keys that work everywhere, the list of them, and the finder. */
export function Shortcuts({ over, onOver }: ShortcutsProps) {
  const dispatch = useAppDispatch();
  useScreenKeys();
  const opens = { preventDefault: true, enableOnFormTags: true };
  useHotkeys(
    'f1',
    () => {
      onOver('keys');
    },
    opens,
  );
  useHotkeys(
    'alt+s',
    () => {
      onOver('finder');
    },
    opens,
  );
  useHotkeys('mod+z', () => void dispatch(undo()), { preventDefault: true });
  useHotkeys('mod+shift+z', () => void dispatch(redo()), { preventDefault: true });
  const close = () => {
    onOver(null);
  };
  return (
    <>
      <Dialog open={over === 'keys'} onClose={close} maxWidth="xs" fullWidth aria-labelledby="keys-title">
        <KeyList onClose={close} />
      </Dialog>
      <Finder open={over === 'finder'} onClose={close} />
    </>
  );
}
