import { mdiCompareHorizontal, mdiDownload, mdiPencilOutline, mdiPotSteamOutline, mdiPrinterOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { recipeJsonLd } from '@usual-pantry/core/format';
import type { RecipeFacts } from '@usual-pantry/core/recipe';
import { Link } from 'react-router';
import { Icon } from '../../parts/Icon';
import { saveAs } from '../../parts/saveAs';
import type { SeasonBook } from '../../data/useSeason';
import { usePlanQuery } from '../../data/plan';
import { useStartBatch } from '../../data/useStartBatch';
import { nameOfUse } from '../../data/nameOfUse';

/** What can be done with a recipe from its card. */
export function CardActions({ season, facts, size }: { season: SeasonBook; facts: RecipeFacts; size: number }) {
  const { data: plan } = usePlanQuery();
  const { begin, isStarting } = useStartBatch();
  const { recipe, yieldGrams } = facts;
  const save = () => {
    const text = recipeJsonLd(recipe, yieldGrams, (uses) => nameOfUse(season, uses));
    saveAs(`${recipe.id}.jsonld`, JSON.stringify(text, null, 2), 'application/ld+json');
  };
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      <Button
        component={Link}
        to={`/recipes/${recipe.id}/edit`}
        variant="contained"
        startIcon={<Icon path={mdiPencilOutline} />}
      >
        Edit
      </Button>
      {plan && (
        <Button
          startIcon={<Icon path={mdiPotSteamOutline} />}
          disabled={isStarting}
          onClick={() => void begin(recipe.id, size, plan.today)}
        >
          Make it at the bench
        </Button>
      )}
      <Button component={Link} to={`/recipes/${recipe.id}/compare`} startIcon={<Icon path={mdiCompareHorizontal} />}>
        Compare
      </Button>
      <Button component={Link} to={`/print/recipes/${recipe.id}`} startIcon={<Icon path={mdiPrinterOutline} />}>
        On paper
      </Button>
      <Button startIcon={<Icon path={mdiDownload} />} onClick={save}>
        Save as JSON-LD
      </Button>
    </Box>
  );
}
