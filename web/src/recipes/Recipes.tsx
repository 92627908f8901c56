import { mdiClipboardTextOutline } from '@mdi/js';
import Button from '@mui/material/Button';
import { bodyRecipeId, formRecipeIds } from '@usual-pantry/core/piece';
import { sayCount, sayGrams } from '@usual-pantry/core/quantity';
import type { RecipeDraft } from '@usual-pantry/core/recipe';
import { useState } from 'react';
import { Link as RouterLink, useParams } from 'react-router';
import { Icon } from '../parts/Icon';
import { AllergenTags } from '../parts/Allergens';
import { AnswerLine } from '../parts/AnswerLine';
import { Findings } from '../findings/Findings';
import { dropDraft } from '../records/drafts';
import { Empty } from '../parts/Panel';
import { PieceDrawing } from '../forms/PieceDrawing';
import { RecordList } from '../records/RecordList';
import { SplitView } from '../parts/SplitView';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { RecipeCard } from './card/RecipeCard';
import { Compare } from './Compare';
import { forgetPaste, PasteRecipe } from './PasteRecipe';
import { RecipeForm } from './RecipeForm';

const recipeNouns = ['recipe', 'piece'];

function RecipeList({ season, openId }: { season: SeasonBook; openId: string | undefined }) {
  const { data, book } = season;
  const pieces = [...book.pieces.values()];
  return (
    <RecordList
      title="Recipes"
      base="/recipes"
      openId={openId}
      newLabel="New"
      columns={!openId}
      empty={<Empty title="No recipes yet.">A recipe has lines, what it yields, and the pieces it becomes.</Empty>}
      items={[...data.recipes]
        .sort((a, b) => a.name.localeCompare(b.name))
        .map((recipe) => {
          const facts = book.recipes.get(recipe.id);
          const piece = pieces.find((each) => bodyRecipeId(each.piece.form) === recipe.id)?.piece;
          const users = data.recipes.filter((other) =>
            other.lines.some(({ uses }) => uses.kind === 'recipe' && uses.id === recipe.id),
          ).length;
          const inPieces = pieces.filter((each) => formRecipeIds(each.piece.form).includes(recipe.id)).length;
          return {
            id: recipe.id,
            name: recipe.name,
            mark: piece ? <PieceDrawing kind={piece.form.kind} colour={piece.colour} size={34} /> : undefined,
            below: (
              <>
                {facts ? sayGrams(facts.yieldGrams) : 'cannot be worked out'}
                {users > 0 && ` · in ${sayCount(users, 'recipe')}`}
                {inPieces > 0 && ` · ${sayCount(inPieces, 'piece')}`} <AllergenTags codes={facts?.contains ?? []} />
              </>
            ),
          };
        })}
    />
  );
}

const PASTED = 'pasted';

/** The open recipe: its card, its form, or beside another one. */
function OpenRecipe({ season, id, view }: { season: SeasonBook; id: string; view: string | undefined }) {
  const [pasted, setPasted] = useState<RecipeDraft | null>(null);
  if (id === 'paste')
    return pasted ? (
      <RecipeForm season={season} recipe={null} fresh={pasted} newKey={PASTED} onAdded={forgetPaste} />
    ) : (
      <PasteRecipe
        season={season}
        onRead={(draft) => {
          // The text itself is still kept: what the form held of an earlier one may go.
          dropDraft(`recipe ${PASTED}`);
          setPasted(draft);
        }}
      />
    );
  if (id === 'new') return <RecipeForm season={season} recipe={null} />;
  const recipe = season.data.recipes.find((each) => each.id === id);
  if (!recipe) return <Empty title="This recipe is not there any more." />;
  const facts = season.book.recipes.get(id);
  if (view === 'edit' || !facts) return <RecipeForm season={season} recipe={recipe} />;
  return view === 'compare' ? (
    <Compare season={season} facts={facts} />
  ) : (
    <RecipeCard season={season} recipe={recipe} facts={facts} />
  );
}

/** Recipes in a list, the open one beside it. */
export function Recipes() {
  const { id, view } = useParams();
  const { season, error, again } = useSeasonBook();
  if (!season) return <Waiting error={error} again={again} />;
  const { recipes, pieces } = season.data;
  return (
    <>
      {!id && (
        <AnswerLine>
          {recipes.length === 0
            ? 'No recipes yet.'
            : `${sayCount(recipes.length, 'recipe')} for ${sayCount(pieces.length, 'piece')}.`}
        </AnswerLine>
      )}
      {!id && <Findings findings={season.book.findings.filter((each) => recipeNouns.includes(each.about.noun))} />}
      {!id && (
        <Button
          component={RouterLink}
          to="/recipes/paste"
          startIcon={<Icon path={mdiClipboardTextOutline} />}
          sx={{ mb: 1.5 }}
        >
          Paste a recipe
        </Button>
      )}
      <SplitView
        listWidth="270px"
        list={<RecipeList season={season} openId={id} />}
        detail={id && <OpenRecipe key={`${id} ${view ?? ''}`} season={season} id={id} view={view} />}
      />
    </>
  );
}
