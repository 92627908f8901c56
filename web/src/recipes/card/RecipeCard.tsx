import { mdiClose } from '@mdi/js';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Link from '@mui/material/Link';
import { bodyForm } from '@usual-pantry/core/piece';
import { sayCount, sayGrams, sayTemperature } from '@usual-pantry/core/quantity';
import { stepTarget, type Recipe, type RecipeFacts } from '@usual-pantry/core/recipe';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link as RouterLink, useNavigate } from 'react-router';
import { Icon } from '../../parts/Icon';
import { AnswerLine, Mark } from '../../parts/AnswerLine';
import { RecordFindings } from '../../findings/Findings';
import { Title } from '../../parts/Title';
import { useFocusOnOpen } from '../../parts/useFocusOnOpen';
import { Panel } from '../../parts/Panel';
import type { SeasonBook } from '../../data/useSeason';
import { MouldDrawing } from '../MouldDrawing';
import { nameOfUse } from '../../data/nameOfUse';
import { PanDrawing } from '../PanDrawing';
import { PiecesOf } from '../PiecesOf';
import { CardActions } from './CardActions';
import { CardLines } from './CardLines';
import { CardSteps } from './CardSteps';
import { Keeping } from './Keeping';
import { Makeup } from './Makeup';
import { PotLine } from './PotLine';
import { ScaleBar } from './ScaleBar';
import { SwapPanel } from './SwapPanel';
import { useScale } from './useScale';
import { Versions } from './Versions';

/** The sentence that the card exists for. */
function Answer({ season, facts, perBatch }: { season: SeasonBook; facts: RecipeFacts; perBatch: number }) {
  const { kitchen } = season.data;
  // The last one decides: what was added at 138 C is cooked on to 150.
  const cook = facts.recipe.steps.findLast(({ effect }) => effect.kind === 'cook');
  const target = cook && stepTarget(cook, kitchen);
  return (
    <AnswerLine>
      {facts.recipe.name}: {sayGrams(facts.yieldGrams)} from {sayGrams(facts.rawGrams)}
      {perBatch > 0 && `, ${sayCount(perBatch, 'piece')}`}
      {target && (
        <>
          ; cook it to <Mark tone="hot">{sayTemperature(target.here[0])} on your thermometer</Mark>
        </>
      )}
      .
    </AnswerLine>
  );
}

/** A recipe as a bench card: what to weigh, what to do, what comes out, and what follows from it. */
export function RecipeCard({ season, recipe, facts }: { season: SeasonBook; recipe: Recipe; facts: RecipeFacts }) {
  const navigate = useNavigate();
  const scale = useScale(season, facts);
  const top = useFocusOnOpen<HTMLDivElement>();
  useHotkeys('alt+e', () => void navigate(`/recipes/${recipe.id}/edit`), { preventDefault: true });
  useHotkeys('escape', () => void navigate('/recipes'));
  const findings = season.book.findings
    .filter(({ about, severity }) => about.id === recipe.id && severity !== 'know')
    .map((each) => ({ ...each, waysOut: [] }));
  const base = recipe.variantOf && season.book.recipes.get(recipe.variantOf.recipeId)?.recipe;
  const form = scale.piece && bodyForm(scale.piece.piece.form);
  const batches = scale.scaled?.batches ?? [{ size: 1, count: 1 }];
  const size = Math.max(...batches.map((each) => each.size));
  return (
    <Box component="article" aria-label={recipe.name} sx={{ display: 'grid', gap: 2, minWidth: 0 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'start' }}>
        <Title of={recipe.name} />
        <Box ref={top} tabIndex={-1} sx={{ flex: 1, mb: -2, outline: 'none' }}>
          <Answer season={season} facts={facts} perBatch={scale.perBatch} />
        </Box>
        <IconButton component={RouterLink} to="/recipes" aria-label="Close">
          <Icon path={mdiClose} />
        </IconButton>
      </Box>
      <CardActions season={season} facts={facts} size={size} />
      <RecordFindings findings={findings} />
      {base && (
        <Alert severity="info">
          A variant of{' '}
          <Link component={RouterLink} to={`/recipes/${base.id}`}>
            {base.name}
          </Link>
          : everything that is not swapped is that recipe’s.
        </Alert>
      )}
      <Panel title="Scale">
        <ScaleBar
          facts={facts}
          nameOf={(line) => nameOfUse(season, facts.recipe.lines[line]?.uses)}
          pans={season.data.kitchen.pans}
          perBatch={scale.perBatch}
          cut={form?.kind === 'cut'}
          wanted={scale.wanted}
          setWanted={scale.setWanted}
          scaled={scale.scaled}
        />
      </Panel>
      <Panel title="Weigh">
        <CardLines season={season} facts={facts} batches={batches} />
      </Panel>
      <Panel title="Steps">
        <Box sx={{ display: 'grid', gap: 1.5 }}>
          <PotLine season={season} facts={facts} size={size} />
          <CardSteps season={season} facts={facts} size={size} />
        </Box>
      </Panel>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' } }}>
        <Panel title="Pieces made of it">
          {form?.kind === 'cut' && <PanDrawing form={form} colour={scale.piece?.piece.colour ?? '#8a5630'} />}
          {form?.kind === 'moulded' && <MouldDrawing form={form} colour={scale.piece?.piece.colour ?? '#8a5630'} />}
          <PiecesOf season={season} recipeId={recipe.id} />
        </Panel>
        <Keeping season={season} facts={facts} />
      </Box>
      <Panel title="What it is made of">
        <Makeup season={season} facts={facts} />
      </Panel>
      <Panel title="Swap an ingredient">
        <SwapPanel season={season} facts={facts} recipe={recipe} />
      </Panel>
      <Panel title="Versions">
        <Versions recipe={recipe} />
      </Panel>
    </Box>
  );
}
