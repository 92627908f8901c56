import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { AnswerLine } from '../parts/AnswerLine';
import { PlanFindings } from '../findings/Findings';
import { Panel } from '../parts/Panel';
import { useBookQuery } from '../data/book';

const steps = [
  {
    noun: 'ingredients',
    text: 'Put what you buy into the pantry: packs, prices, what the label calls it.',
    to: '/pantry/new',
    label: 'First ingredient',
  },
  {
    noun: 'recipes',
    text: 'Write down a recipe and how it becomes pieces.',
    to: '/recipes/new',
    label: 'First recipe',
  },
  {
    noun: 'pieces',
    text: 'Say how the recipe becomes pieces: cut, broken, rolled or dipped.',
    to: '/pieces/new',
    label: 'First piece',
  },
  { noun: 'boxes', text: 'Fill a box with pieces.', to: '/boxes/new', label: 'First box' },
  { noun: 'orders', text: 'Take an order.', to: '/orders/new', label: 'First order' },
] as const;

/** A season without open orders: the next step of the path from pantry to order. */
export function FirstSteps() {
  const { data: book } = useBookQuery();
  const done = (noun: (typeof steps)[number]['noun']) =>
    noun !== 'orders' && book !== undefined && book[noun].length > 0;
  const next = steps.find(({ noun }) => !done(noun));
  return (
    <>
      <AnswerLine>No open orders. {next?.text}</AnswerLine>
      <PlanFindings />
      <Panel title="From pantry to order">
        {steps.map(({ noun, text, to, label }) => (
          <Box
            key={noun}
            sx={{
              display: 'flex',
              gap: 2,
              py: 1,
              alignItems: 'center',
              justifyContent: 'space-between',
              flexWrap: 'wrap',
            }}
          >
            <span>
              {done(noun) ? '✓ ' : ''}
              {text}
            </span>
            <Button component={Link} to={to} variant={noun === next?.noun ? 'contained' : 'outlined'}>
              {label}
            </Button>
          </Box>
        ))}
        <p>
          Or bring a season file: <Link to="/settings">Settings</Link>.
        </p>
      </Panel>
    </>
  );
}
