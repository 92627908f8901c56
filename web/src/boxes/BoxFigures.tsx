import Alert from '@mui/material/Alert';
import Typography from '@mui/material/Typography';
import Box from '@mui/material/Box';
import { allergenCells, mixingWarnings, type BoxFacts } from '@usual-pantry/core/box';
import { costBasis, costOfBox, type BoxCost } from '@usual-pantry/core/money';
import { netQuantity } from '@usual-pantry/core/label';
import { sayCount, sayGrams, sayMinutes, sayMoney, sayOunces } from '@usual-pantry/core/quantity';
import { useMemo } from 'react';
import { Allergens } from '../parts/Allergens';
import { Figure, FigureList } from '../parts/Figures';
import { Panel } from '../parts/Panel';
import { Worked } from '../parts/Worked';
import { sayPercent } from '../parts/words';
import type { SeasonBook } from '../data/useSeason';
import { costWorking } from './costWorking';

/** The cost of a box as it is typed. */
export function useBoxCost(season: SeasonBook, facts: BoxFacts): BoxCost {
  const basis = useMemo(() => costBasis(season.book), [season.book]);
  return costOfBox(facts, season.book, basis);
}

/** Each allergen with the cells that bring it. */
function BringsAllergens({ season, facts }: { season: SeasonBook; facts: BoxFacts }) {
  const brings = allergenCells(facts.box.cells, season.book.pieces);
  if (brings.length === 0) return <Allergens codes={[]} />;
  return (
    <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {brings.map(({ code, cells }) => (
        <li key={code}>
          <Allergens codes={[code]} />{' '}
          <Box component="span" sx={{ color: 'text.secondary', typography: 'note' }}>
            {cells.length === 1 ? 'cell' : 'cells'} {cells.join(', ')}
          </Box>
        </li>
      ))}
    </Box>
  );
}

/** Weight, cost, price, allergens, shelf life and travel of a box, at once. */
export function BoxFigures({ season, facts }: { season: SeasonBook; facts: BoxFacts }) {
  const cost = useBoxCost(season, facts);
  const { currency } = season.data.kitchen;
  const money = (minor: number) => sayMoney(minor, currency);
  const rate = season.data.kitchen.handsRateMinorPerHour;
  return (
    <Panel title="In this box">
      <FigureList>
        <Figure name="Net weight">
          <Worked
            working={{
              title: 'Net weight',
              inputs: facts.pieces.map(({ pieceId, count }) => [
                `${String(count)} × ${season.book.pieces.get(pieceId)?.piece.name ?? pieceId}`,
                sayGrams((season.book.pieces.get(pieceId)?.weightGrams ?? 0) * count, 0.1),
              ]),
              rule: `The nominal weights of the pieces added up. The label says “${facts.weightGrams > 0 ? netQuantity(facts.weightGrams) : ''}”, rounded down.`,
              source: '21 CFR 101.7, from memory',
            }}
          >
            {`${sayGrams(facts.weightGrams)} · ${sayOunces(facts.weightGrams)}`}
          </Worked>
        </Figure>
        <Figure name="Ingredients">
          <Worked working={costWorking(cost, 'ingredients', rate, currency)}>{money(cost.ingredientsMinor)}</Worked>
        </Figure>
        <Figure name="Packaging">{money(cost.packagingMinor)}</Figure>
        <Figure name={`Hands, ${sayMinutes(cost.handsMinutes)}`}>
          <Worked working={costWorking(cost, 'hands', rate, currency)}>{money(cost.handsMinor)}</Worked>
        </Figure>
        <Figure name="Cost">{money(cost.costMinor)}</Figure>
        <Figure name="Price">{money(cost.priceMinor)}</Figure>
        <Figure name="Margin on price">
          <Worked working={costWorking(cost, 'margin', rate, currency)}>{sayPercent(cost.marginPercent)}</Worked>
        </Figure>
        <Figure name="Per bench hour">{cost.perBenchHourMinor === null ? '–' : money(cost.perBenchHourMinor)}</Figure>
        <Figure name="Keeps">{facts.keeps ? sayCount(facts.keeps.days, 'day') : '–'}</Figure>
        <Figure name="Travels">{facts.travel}</Figure>
      </FigureList>
      <Typography variant="h3" sx={{ mt: 1.5 }}>
        Contains
      </Typography>
      <BringsAllergens season={season} facts={facts} />
      {mixingWarnings(facts.box.cells, season.book.pieces).map((warning) => (
        <Alert key={warning} severity="warning" sx={{ mt: 1 }}>
          {warning}
        </Alert>
      ))}
      {facts.mayContain.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 1 }}>
            May contain
          </Typography>
          <Allergens codes={facts.mayContain} />
        </>
      )}
      {cost.unpriced.length > 0 && (
        <Alert severity="warning" sx={{ mt: 1 }}>
          Without a price, and so missing from the cost: {cost.unpriced.join(', ')}.
        </Alert>
      )}
    </Panel>
  );
}
