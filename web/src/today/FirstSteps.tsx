import { mdiCheckCircle, mdiCircleOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import type { BookAnswer } from '@usual-pantry/core/api';
import { Link } from 'react-router';
import { useExampleQuery } from '../data/example';
import { useSeasonBook, type SeasonBook } from '../data/useSeason';
import { PlanFindings } from '../findings/Findings';
import { AnswerLine, Mark } from '../parts/AnswerLine';
import { Icon } from '../parts/Icon';
import { Panel } from '../parts/Panel';
import { Waiting } from '../parts/Waiting';
import { KitchenAnswers } from './KitchenAnswers';

interface Step {
  readonly title: string;
  /** What comes of it. */
  readonly unlocks: string;
  readonly isDone: (season: SeasonBook) => boolean;
  /** Where it is done, the likeliest way first; none is done here. */
  readonly ways: (season: SeasonBook) => readonly (readonly [label: string, to: string])[];
}

/** The first recipe by name that is no part of another. */
function finished(recipes: BookAnswer['recipes']): BookAnswer['recipes'][number] | undefined {
  const parts = new Set(recipes.flatMap(({ lines }) => lines.map(({ uses }) => uses.id)));
  return [...recipes].sort((a, b) => a.name.localeCompare(b.name)).find(({ id }) => !parts.has(id));
}

const steps: readonly Step[] = [
  {
    title: 'Your kitchen',
    unlocks: 'Temperatures for your height, days to plan on, the cost of your hands, the address on the label.',
    isDone: ({ data }) => data.kitchen.version > 0,
    ways: () => [],
  },
  {
    title: 'A recipe',
    unlocks: 'What a batch weighs and keeps. What it names and you lack comes into the pantry with it.',
    isDone: ({ data }) => data.recipes.length > 0,
    ways: () => [
      ['Paste a recipe', '/recipes/paste'],
      ['Write one', '/recipes/new'],
      ['Fill the pantry first', '/pantry/starter'],
    ],
  },
  {
    title: 'Prices',
    unlocks: 'What a piece and a box cost, and a shopping list in whole packs.',
    isDone: ({ data, book }) =>
      data.recipes.length > 0 && !book.findings.some(({ code }) => code === 'ingredient-unpriced'),
    ways: () => [['Give prices', '/pantry/prices']],
  },
  {
    title: 'A piece',
    unlocks: 'How many a batch gives, what one weighs, how long it keeps.',
    isDone: ({ data }) => data.pieces.length > 0,
    ways: ({ data }) => [['First piece', `/pieces/new?recipe=${finished(data.recipes)?.id ?? ''}`]],
  },
  {
    title: 'A box',
    unlocks: 'Its weight, cost, allergens and label.',
    isDone: ({ data }) => data.boxes.length > 0,
    ways: () => [['First box', '/boxes/new']],
  },
  {
    title: 'An order',
    unlocks: 'What to make, when, and what to buy: Today and Plan begin here. Then print the label.',
    isDone: () => false,
    ways: () => [
      ['Take an order', '/orders'],
      ['Labels', '/labels'],
    ],
  },
];

interface StepProps {
  readonly step: Step;
  readonly season: SeasonBook;
  readonly isNext: boolean;
}

/** One step: a line when it is done or far, open when it is next. */
function StepEntry({ step: { title, unlocks, isDone, ways: waysFor }, season, isNext }: StepProps) {
  const done = isDone(season);
  const ways = waysFor(season);
  return (
    <Box
      component="li"
      aria-current={isNext ? 'step' : undefined}
      sx={{
        display: 'flex',
        gap: 1.5,
        py: 1.25,
        borderTop: 1,
        borderColor: 'divider',
        '&:first-of-type': { borderTop: 0 },
      }}
    >
      <Icon
        path={done ? mdiCheckCircle : mdiCircleOutline}
        sx={{ color: done ? 'success.main' : isNext ? 'hot.main' : 'text.secondary', mt: 0.25 }}
      />
      <Box sx={{ flex: 1, minWidth: 0, display: 'grid', gap: 1 }}>
        <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
          <Box sx={{ flex: '1 1 300px' }}>
            <Typography variant="h3">
              {title}
              {done && ' · done'}
            </Typography>
            <Box sx={{ color: 'text.secondary' }}>{unlocks}</Box>
          </Box>
          {ways.map(([label, to], index) => (
            <Button key={to} component={Link} to={to} variant={isNext && index === 0 ? 'contained' : 'text'}>
              {label}
            </Button>
          ))}
        </Box>
        {isNext && ways.length === 0 && <KitchenAnswers kitchen={season.data.kitchen} />}
      </Box>
    </Box>
  );
}

/** A season without open orders: the path from an empty pantry to the first label, left and taken up again at any point. */
export function FirstSteps() {
  const { season, error, again } = useSeasonBook();
  const { data: example } = useExampleQuery();
  if (!season) return <Waiting error={error} again={again} />;
  const next = steps.find((step) => !step.isDone(season));
  const isBegun = steps.some((step) => step.isDone(season));
  return (
    <>
      <AnswerLine>
        No open orders. <Mark tone="hot">Next: {next?.title.toLowerCase()}.</Mark>
      </AnswerLine>
      {isBegun && <PlanFindings />}
      <Panel title="From nothing to a printed label">
        <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {steps.map((step) => (
            <StepEntry key={step.title} step={step} season={season} isNext={step === next} />
          ))}
        </Box>
        <Box sx={{ mt: 1, color: 'text.secondary' }}>
          Or bring what you have in one file:{' '}
          <TextLink component={Link} to="/settings#season-file">
            Settings, Season file
          </TextLink>
          .
          {example?.isOffered && (
            <>
              {' '}
              Or look first at an example kitchen in the middle of its season:{' '}
              <TextLink component={Link} to="/settings#example">
                Settings, Example kitchen
              </TextLink>
              .
            </>
          )}
        </Box>
      </Panel>
    </>
  );
}
