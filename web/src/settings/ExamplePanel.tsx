import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useExampleQuery, useLoadExampleMutation, useRemoveExampleMutation } from '../data/example';
import { said } from '../data/notices';
import { useAppDispatch } from '../data/store';
import { EXAMPLE_PAGES } from '../parts/kitchenAt';
import { Panel } from '../parts/Panel';
import type { Refusal } from '../parts/refusal';

/** The example kitchen beside one's own: load it, go there, remove it. Nothing where none is offered. */
export function ExamplePanel() {
  const { data } = useExampleQuery();
  const [load, loading] = useLoadExampleMutation();
  const [remove, removing] = useRemoveExampleMutation();
  const dispatch = useAppDispatch();
  if (!data?.isOffered) return null;
  const refusal = (loading.error ?? removing.error) as Refusal | undefined;
  return (
    <Panel title="Example kitchen" place="example">
      <Typography sx={{ mb: 1.5 }}>
        An invented kitchen in the middle of its season, to try everything on. It lies in a folder of its own: nothing
        of it gets into yours, and nothing is left of it when it is removed.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {data.isLoaded ? (
          <>
            <Button variant="outlined" href={EXAMPLE_PAGES}>
              Open the example
            </Button>
            <Button
              color="error"
              disabled={removing.isLoading}
              onClick={() => {
                void remove()
                  .unwrap()
                  .then(
                    () => dispatch(said({ text: 'Example kitchen removed.' })),
                    () => undefined,
                  );
              }}
            >
              Remove it
            </Button>
          </>
        ) : (
          <Button variant="outlined" disabled={loading.isLoading} onClick={() => void load()}>
            Load it
          </Button>
        )}
      </Box>
      {(loading.isLoading || removing.isLoading) && <LinearProgress sx={{ mt: 1.5 }} aria-label="One moment" />}
      {refusal && <Alert severity="error">{refusal.message}</Alert>}
    </Panel>
  );
}
