import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link, useRouteError } from 'react-router';
import { Title } from '../parts/Title';

/** An address that leads nowhere, or a page that failed. */
export function Lost() {
  const error = useRouteError();
  return (
    <main style={{ padding: 24 }}>
      <Title of="Nothing here" />
      <Typography variant="h1" gutterBottom>
        {error ? 'This page could not be shown.' : 'There is nothing at this address.'}
      </Typography>
      <Typography sx={{ mb: 2 }}>{error instanceof Error ? error.message : 'What is stored is safe.'}</Typography>
      <Button variant="contained" component={Link} to="/" reloadDocument={Boolean(error)}>
        Go to Today
      </Button>
    </main>
  );
}
