import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { Panel } from '../parts/Panel';
import { saveAs } from '../parts/saveAs';
import type { Refusal } from '../parts/refusal';
import { useLazyDiagnosticsQuery } from '../data/backups';

/** A file for a report when something goes wrong, shown before it is saved. */
export function DiagnosticsPanel() {
  const [ask, { data, error, isFetching, reset }] = useLazyDiagnosticsQuery();
  const text = data === undefined ? '' : JSON.stringify(data, null, 2);
  return (
    <Panel title="Diagnostics" place="diagnostics">
      <p style={{ marginTop: 0 }}>
        When something goes wrong, this says how the program is doing. It names no customer, no recipe and no price, and
        goes nowhere by itself.
      </p>
      {error && <Alert severity="error">{(error as Refusal).message}</Alert>}
      <Button variant="outlined" size="small" loading={isFetching} onClick={() => void ask()}>
        Look at it
      </Button>
      <Dialog open={text !== ''} onClose={reset} maxWidth="md" fullWidth aria-labelledby="diagnostics-title">
        <DialogTitle id="diagnostics-title">This is all that the file says</DialogTitle>
        <DialogContent>
          <Box
            component="pre"
            tabIndex={0}
            aria-label="What the file says"
            sx={{ typography: 'figures', whiteSpace: 'pre-wrap', overflowWrap: 'anywhere', m: 0 }}
          >
            {text}
          </Box>
        </DialogContent>
        <DialogActions>
          <Button onClick={reset}>Close</Button>
          <Button
            variant="contained"
            onClick={() => {
              saveAs('usual-pantry-diagnostics.json', text, 'application/json');
            }}
          >
            Save it
          </Button>
        </DialogActions>
      </Dialog>
    </Panel>
  );
}
