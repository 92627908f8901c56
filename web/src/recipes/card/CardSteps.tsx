import { mdiAlertOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { sayGrams, sayList, sayMinutes, sayTemperature } from '@usual-pantry/core/quantity';
import { stepCautions, stepMinutes, stepTarget, type RecipeFacts, type RecipeStep } from '@usual-pantry/core/recipe';
import { Icon } from '../../parts/Icon';
import { FIGURES } from '../../parts/theme';
import type { SeasonBook } from '../../data/useSeason';

interface CardStepsProps {
  readonly season: SeasonBook;
  readonly facts: RecipeFacts;
  /** Size of one batch, in base batches. */
  readonly size: number;
}

type Range = readonly [number, number | null];

const sayRange = ([from, to]: Range): string => sayTemperature(to === null ? from : [from, to]);

/** What the thermometer here must show, and the recipe's own temperature beside. */
function Target({ season, step }: { season: SeasonBook; step: RecipeStep }) {
  const { kitchen } = season.data;
  const target = stepTarget(step, kitchen);
  if (!target || !step.target) return null;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, alignItems: 'baseline' }}>
      <Box component="span" sx={{ fontFamily: FIGURES, fontWeight: 700, typography: 'large', color: 'hot.main' }}>
        {sayRange(target.here)}
      </Box>
      <span>
        on your thermometer ({step.target.kind}
        {target.stage && `, ${target.stage}`})
      </span>
      <Box component="span" sx={{ color: 'text.secondary' }}>
        recipe: {sayRange(target.recipe)}
        {step.target.boils && ' at sea level'}
      </Box>
    </Box>
  );
}

function Times({ step, size }: { step: RecipeStep; size: number }) {
  const { hands, typicalRest, safeRest } = stepMinutes(step, size);
  const words = [
    ...(hands > 0 ? [`${sayMinutes(hands)} of hands`] : []),
    ...(step.rest
      ? [
          safeRest > typicalRest
            ? `waits ${sayMinutes(typicalRest)}, plan for ${sayMinutes(safeRest)} (${step.rest.kind})`
            : `waits ${sayMinutes(typicalRest)} (${step.rest.kind})`,
        ]
      : []),
    ...(step.growsWithBatch && size !== 1 ? ['time grown with the mass of the batch'] : []),
  ];
  return words.length === 0 ? null : <Box sx={{ typography: 'figures' }}>{words.join('; ')}</Box>;
}

/** The steps as the bench needs them: what to do, how hot here, when it is done, what to beware of. */
export function CardSteps({ season, facts, size }: CardStepsProps) {
  const { recipe, stepMasses } = facts;
  if (recipe.steps.length === 0) return <span>{recipe.method || 'No steps yet. Edit the recipe to add them.'}</span>;
  return (
    <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1.5 }}>
      {recipe.steps.map((step, index) => {
        const mass = stepMasses[index];
        return (
          <Box component="li" key={index} sx={{ display: 'grid', gridTemplateColumns: '34px minmax(0, 1fr)', gap: 1 }}>
            <Typography variant="h2" component="span" sx={{ color: 'text.secondary' }}>
              {index + 1}
            </Typography>
            <Box sx={{ display: 'grid', gap: 0.5 }}>
              <span>{step.text}</span>
              <Target season={season} step={step} />
              <Times step={step} size={size} />
              {step.equipment.length > 0 && <Box sx={{ color: 'text.secondary' }}>With {sayList(step.equipment)}</Box>}
              {mass && (mass.boiledOff > 0.5 || mass.lost > 0.5) && (
                <Box sx={{ typography: 'figures' }}>
                  {mass.boiledOff > 0.5
                    ? `${sayGrams(mass.boiledOff * size)} boil off`
                    : `${sayGrams(mass.lost * size)} are lost`}
                  ; {sayGrams(mass.grams * size)} are left
                </Box>
              )}
              {step.doneWhen && (
                <span>
                  <b>Done when</b> {step.doneWhen}
                </span>
              )}
              {stepCautions(recipe, index, season.book).map((caution) => (
                <Box
                  key={caution}
                  sx={{ display: 'flex', gap: 0.75, borderLeft: 4, borderColor: 'warning.light', pl: 1, py: 0.25 }}
                >
                  <Icon path={mdiAlertOutline} />
                  <span>{caution}</span>
                </Box>
              ))}
              {step.ifWrong && (
                <Box component="details">
                  <summary>If it goes wrong</summary>
                  {step.ifWrong}
                </Box>
              )}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
}
