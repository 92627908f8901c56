import Box from '@mui/material/Box';
import { sayGrams } from '@usual-pantry/core/quantity';
import { sayBatches } from '@usual-pantry/core/recipe';
import { useParams, useSearchParams } from 'react-router';
import { useSeasonBook } from '../data/useSeason';
import { Empty } from '../parts/Panel';
import { Waiting } from '../parts/Waiting';
import { PaperPart, sayContains, Sheet } from './Sheet';
import { Method, Weighing } from './Weighing';

/** A recipe as a card: what to weigh, what to do, at the size that was chosen. */
export function RecipePaper() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const { season, error, again } = useSeasonBook();
  if (!season) return <Waiting error={error} again={again} />;
  const facts = season.book.recipes.get(id);
  if (!facts) return <Empty title="This recipe cannot be worked out." />;
  const asked = Number(search.get('size') ?? 1);
  const size = asked > 0 && Number.isFinite(asked) ? asked : 1;
  return (
    <Sheet
      title={facts.recipe.name}
      lead={
        <>
          {sayBatches([{ size, count: 1 }], 'single ')}: {sayGrams(facts.yieldGrams * size)} from{' '}
          {sayGrams(facts.rawGrams * size)}. {sayContains(facts.contains)}
        </>
      }
      back={`/recipes/${id}`}
    >
      <PaperPart title="Weigh">
        <Weighing season={season} facts={facts} batches={[{ size, count: 1 }]} />
      </PaperPart>
      <PaperPart title="Do">
        <Method season={season} facts={facts} size={size} />
      </PaperPart>
      {facts.recipe.method && facts.recipe.steps.length > 0 && (
        <Box sx={{ whiteSpace: 'pre-line' }}>{facts.recipe.method}</Box>
      )}
    </Sheet>
  );
}
