import Box from '@mui/material/Box';
import { recipeDraftSchema, type Recipe, type RecipeDraft } from '@usual-pantry/core/recipe';
import { NumberInput, TextInput } from '../parts/fields';
import { FieldNote } from '../parts/fieldNotes';
import { Folded, Panel } from '../parts/Panel';
import { RecordFrame } from '../records/RecordFrame';
import { useRemoval } from '../records/useRemoval';
import { useRecordForm } from '../records/useRecordForm';
import type { SeasonBook } from '../data/useSeason';
import { AirFields, StandsFields } from '../forms/RoomFields';
import { BatchSizes } from './BatchSizes';
import { freshRecipe } from './freshRecipe';
import { PiecesOf } from './PiecesOf';
import { PotFields } from './PotFields';
import { RecipeFigures } from './RecipeFigures';
import { RecipeLines } from './RecipeLines';
import { StepFields } from './StepFields';
import { VariantFields } from './VariantFields';
import { WeighedYields } from './WeighedYields';
import { YieldFields } from './YieldFields';

/** Every field of a recipe that stands by itself. */
function WholeFields({ season, recipe }: { season: SeasonBook; recipe: Recipe | null }) {
  return (
    <RecipeFigures season={season} recipe={recipe}>
      {recipe && (
        <Panel title="Pieces made of it">
          <PiecesOf season={season} recipeId={recipe.id} />
        </Panel>
      )}
      <TextInput name="name" label="Name" autoFocus={recipe === null} />
      <Panel title="Lines">
        <FieldNote name="lines" />
        <RecipeLines season={season} recipe={recipe} />
      </Panel>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' } }}>
        <Panel title="Yield">
          <YieldFields />
        </Panel>
        <Panel title="Batches">
          <BatchSizes />
          <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(130px, 1fr))', mt: 1.5 }}>
            <NumberInput name="handsMinutes" label="Hands" unit="min" />
            <NumberInput name="restDays" label="Rests" unit="days" />
            <NumberInput name="keepsDays" label="Keeps" unit="days" />
          </Box>
        </Panel>
      </Box>
      <Folded title="Batches that were weighed" isOpen={(recipe?.weighedYields.length ?? 0) > 0}>
        <WeighedYields season={season} recipe={recipe} />
      </Folded>
      <Panel title="In the pot">
        <PotFields />
      </Panel>
      <Panel title="While it is made, and after">
        <Box sx={{ display: 'grid', gap: 1.5 }}>
          <AirFields scale={season.data.kitchen.temperatureFirst} what="made" />
          <StandsFields of="a base batch" until="it is used" />
        </Box>
      </Panel>
      <Panel title="Steps">
        <StepFields season={season} />
      </Panel>
      <TextInput name="method" label="Notes" multiline />
    </RecipeFigures>
  );
}

/** A recipe as a form; what it weighs, yields and contains follows the typing. */
export function RecipeForm({
  season,
  recipe,
  fresh = freshRecipe,
  newKey = 'new',
  onAdded,
}: {
  season: SeasonBook;
  recipe: Recipe | null;
  /** What a new one starts from, when its text was pasted. */
  fresh?: RecipeDraft;
  newKey?: string;
  /** Called when a new one is stored. */
  onAdded?: () => void;
}) {
  const record = useRecordForm({
    noun: 'recipe',
    schema: recipeDraftSchema,
    record: recipe,
    fresh,
    newKey,
    addressOf: ({ id }) => `/recipes/${id}/edit`,
    onAdded,
  });
  return (
    <RecordFrame
      title={recipe ? recipe.name : 'New recipe'}
      record={record}
      back={recipe ? `/recipes/${recipe.id}` : '/recipes'}
      onDelete={useRemoval('recipe', recipe, '/recipes')}
    >
      {recipe?.variantOf ? (
        <VariantFields season={season} base={recipe.variantOf.recipeId} />
      ) : (
        <WholeFields season={season} recipe={recipe} />
      )}
    </RecordFrame>
  );
}
