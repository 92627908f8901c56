import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { Link as RouterLink } from 'react-router';
import { NumberInput, PickInput, TextInput } from '../parts/fields';
import { Lines } from '../parts/Lines';
import { Panel } from '../parts/Panel';
import type { SeasonBook } from '../data/useSeason';

/** What a variant has of its own: its name, how long it keeps, what is swapped. */
export function VariantFields({ season, base }: { season: SeasonBook; base: string }) {
  const { ingredients } = season.data;
  const ids = ingredients.map(({ id }) => id);
  const nameOf = (id: string) => ingredients.find((each) => each.id === id)?.name ?? id;
  return (
    <>
      <Alert severity="info">
        Everything else is as in{' '}
        <Link component={RouterLink} to={`/recipes/${base}/edit`}>
          {season.book.recipes.get(base)?.recipe.name ?? 'its recipe'}
        </Link>
        .
      </Alert>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', sm: '3fr 1fr' } }}>
        <TextInput name="name" label="Name" />
        <NumberInput name="keepsDays" label="Keeps" unit="days" />
      </Box>
      <Panel title="Swaps">
        <Lines
          name="variantOf.swaps"
          one="swap"
          fresh={{ ingredientId: '', withId: '', ratio: 1, share: 1 }}
          columns="2fr 2fr 1fr 1fr"
        >
          {(path) => (
            <>
              <PickInput name={`${path}.ingredientId`} label="Instead of" options={ids} nameOf={nameOf} />
              <PickInput name={`${path}.withId`} label="Take" options={ids} nameOf={nameOf} />
              <NumberInput name={`${path}.ratio`} label="Grams for one" />
              <NumberInput name={`${path}.share`} label="Of it" unit="%" scale={0.01} />
            </>
          )}
        </Lines>
      </Panel>
    </>
  );
}
