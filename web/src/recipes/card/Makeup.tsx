import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { partNames } from '@usual-pantry/core/ingredient';
import { sayList, sayNumber } from '@usual-pantry/core/quantity';
import { estimateOf, type RecipeFacts } from '@usual-pantry/core/recipe';
import { lazy, Suspense } from 'react';
import { Figure, FigureList } from '../../parts/Figures';
import { compositionNames } from '../../parts/compositionNames';
import type { SeasonBook } from '../../data/useSeason';
import { WaterGauge } from './WaterGauge';

const Shares = lazy(async () => ({ default: (await import('./Shares')).Shares }));

const twoColumns = { display: 'grid', gap: 2.5, gridTemplateColumns: { xs: '1fr', lg: '1fr 1fr' } } as const;

/** What the finished recipe is made of, and what that says of it. */
export function Makeup({ season, facts }: { season: SeasonBook; facts: RecipeFacts }) {
  const { parts } = facts;
  const estimate = estimateOf(facts, season.book.ingredients);
  if (!parts || !estimate)
    return (
      <Alert severity="info">
        Not known as long as these have no composition: {sayList(facts.unknownParts) || 'its ingredients'}. Give it in
        the pantry.
      </Alert>
    );
  const { ganache } = estimate;
  return (
    <Box sx={twoColumns}>
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="h3" gutterBottom>
          In 100 g
        </Typography>
        <Suspense fallback={null}>
          <Shares
            title="Part"
            unit="g in 100 g"
            rows={partNames.map((name) => [compositionNames[name], parts[name]])}
          />
        </Suspense>
        <FigureList>
          <Figure name="Energy, 100 g">{sayNumber(estimate.energyKcal)} kcal</Figure>
          <Figure name="Sugars, 100 g">{sayNumber(estimate.sugars, 1)} g</Figure>
          <Figure name="As sweet as">{sayNumber(estimate.sweetness, 1)} g of sugar</Figure>
          <Figure name="Of its fat">
            {[
              ...(estimate.cocoaButter >= 0.05 ? [`${sayNumber(estimate.cocoaButter, 1)} g cocoa butter`] : []),
              ...(estimate.milkFat >= 0.05 ? [`${sayNumber(estimate.milkFat, 1)} g milk fat`] : []),
            ].join(', ') || 'neither cocoa butter nor milk fat'}
          </Figure>
          {estimate.abv > 0.005 && <Figure name="Alcohol by volume">{sayNumber(estimate.abv, 2)} %</Figure>}
        </FigureList>
        {estimate.restricted && (
          <Alert severity="warning" sx={{ mt: 1 }}>
            Above 0.5 % alcohol by volume: sweets like that are restricted in many places. Ask your local authority.
          </Alert>
        )}
      </Box>
      <Box sx={{ minWidth: 0, display: 'grid', gap: 2, alignContent: 'start' }}>
        <div>
          <Typography variant="h3" gutterBottom>
            Water activity
          </Typography>
          <WaterGauge estimate={estimate.waterActivity} />
        </div>
        {ganache && (
          <div>
            <Typography variant="h3" gutterBottom>
              Ganache: {ganache.reads}
            </Typography>
            <span>{sayNumber(ganache.ratio, 2)} parts of dark chocolate, or what it is worth, to one of liquid.</span>
            <Suspense fallback={null}>
              <Shares
                title="Phase"
                unit="% of it"
                rows={[
                  ['Fat', ganache.fat],
                  ['Water', ganache.water],
                  ['Sugars', ganache.sugars],
                  ['Cocoa and other solids', ganache.solids],
                ]}
              />
            </Suspense>
          </div>
        )}
      </Box>
    </Box>
  );
}
