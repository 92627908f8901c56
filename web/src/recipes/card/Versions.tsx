import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { sayDay } from '@usual-pantry/core/quantity';
import type { Recipe, RecipeDraft } from '@usual-pantry/core/recipe';
import { Differences } from '../../records/Differences';
import { useEdit } from '../../data/useEdit';
import { useRecipeVersionsQuery } from '../../data/records';

/** Earlier versions of a recipe: what was different, and the way back. */
export function Versions({ recipe }: { recipe: Recipe }) {
  const { data } = useRecipeVersionsQuery(recipe.id);
  const edit = useEdit();
  if (!data) return null;
  if (data.length === 0) return <span>This is its first version.</span>;
  const { id: _id, version: _version, ...now } = recipe;
  const restore = (draft: RecipeDraft, version: number) =>
    edit.change('recipe', recipe, draft, `${recipe.name} is version ${version} again.`).catch(() => undefined);
  return (
    <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1 }}>
      {data.map(({ version, replacedOn, draft }) => (
        <Box component="li" key={version} sx={{ borderBottom: 1, borderColor: 'divider', pb: 1 }}>
          <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', justifyContent: 'space-between' }}>
            <span>
              <b>Version {version}</b>, replaced on {sayDay(replacedOn)}
            </span>
            <Button size="small" onClick={() => void restore(draft, version)}>
              Restore
            </Button>
          </Box>
          <Differences
            mine={draft}
            theirs={{ ...now, id: recipe.id, version: recipe.version }}
            words={['then', 'now']}
          />
        </Box>
      ))}
    </Box>
  );
}
