import { bodyForm, formRecipeIds } from '@usual-pantry/core/piece';
import { sayCount, sayGrams } from '@usual-pantry/core/quantity';
import { useParams } from 'react-router';
import { AllergenTags } from '../parts/Allergens';
import { AnswerLine } from '../parts/AnswerLine';
import { Findings } from '../parts/Findings';
import { Empty } from '../parts/Panel';
import { PieceDrawing } from '../parts/PieceDrawing';
import { RecordList } from '../parts/RecordList';
import { SplitView } from '../parts/SplitView';
import { useSeasonBook, type SeasonBook } from '../parts/useSeason';
import { Waiting } from '../parts/Waiting';
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
          const piece = pieces.find((each) => bodyForm(each.piece.form).recipeId === recipe.id)?.piece;
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

/** Recipes in a list, the open one beside it. */
export function Recipes() {
  const { id } = useParams();
  const { season, error, again } = useSeasonBook();
  if (!season) return <Waiting error={error} again={again} />;
  const { recipes, pieces } = season.data;
  const open = recipes.find((each) => each.id === id) ?? null;
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
      <SplitView
        listWidth="270px"
        list={<RecipeList season={season} openId={id} />}
        detail={
          id &&
          (open !== null || id === 'new' ? (
            <RecipeForm key={id} season={season} recipe={open} />
          ) : (
            <Empty title="This recipe is not there any more." />
          ))
        }
      />
    </>
  );
}
