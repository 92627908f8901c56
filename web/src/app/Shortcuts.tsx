import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableRow from '@mui/material/TableRow';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate } from 'react-router';
import { redo, undo } from '../data/history';
import { screens, settingsScreen } from './screens';
import { useAppDispatch } from '../data/store';

const others: readonly (readonly [string, string])[] = [
  ['?', 'This list'],
  ['/', 'Search'],
  ['n', 'New'],
  ['e', 'Edit the open recipe'],
  ['j  k', 'Next, previous in a list'],
  ['Enter', 'Open'],
  ['Esc', 'Close what is open beside the list'],
  ['Ctrl+Z', 'Undo'],
  ['Ctrl+Shift+Z', 'Redo'],
  ['Ctrl+Enter', 'Save'],
  ['arrows, 1 to 9, 0, x', 'In the composer: move, place a piece of the shelf, clear a cell'],
];

const all = [...screens, settingsScreen];

/** Keys that work everywhere, and the list of them. */
export function Shortcuts() {
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  useHotkeys(
    all.map((screen) => `g>${screen.key}`),
    (_event, { keys }) => {
      const screen = all.find(({ key }) => key === keys?.at(-1));
      if (screen) void navigate(screen.path);
    },
    { preventDefault: true },
  );
  useHotkeys(
    '?',
    () => {
      setOpen(true);
    },
    { useKey: true },
  );
  useHotkeys(
    'mod+z',
    () => {
      void dispatch(undo());
    },
    { preventDefault: true },
  );
  useHotkeys(
    'mod+shift+z',
    () => {
      void dispatch(redo());
    },
    { preventDefault: true },
  );
  useHotkeys(
    '/',
    () => {
      document.querySelector<HTMLInputElement>('[data-search] input')?.focus();
    },
    { useKey: true, preventDefault: true },
  );
  const rows = [...others, ...all.map((screen) => [`g ${screen.key}`, `Go to ${screen.name}`] as const)];
  const close = () => {
    setOpen(false);
  };
  return (
    <Dialog open={open} onClose={close} maxWidth="xs" fullWidth aria-labelledby="keys-title">
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
        <Button component={Link} to="/changes" onClick={close}>
          What can be undone
        </Button>
        <Button onClick={close}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
