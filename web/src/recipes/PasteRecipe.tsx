import { mdiCheck } from '@mdi/js';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Chip from '@mui/material/Chip';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { measureHabits, type MeasureHabit } from '@usual-pantry/core/kitchen';
import { sayCount } from '@usual-pantry/core/quantity';
import {
  lineKeys,
  noAnswers,
  openQuestions,
  pantryItems,
  recipesOf,
  stepKeys,
  type ReadRecipe,
  type RecipeAnswers,
} from '@usual-pantry/core/reading';
import { readRecipe } from '@usual-pantry/core/format';
import type { RecipeDraft } from '@usual-pantry/core/recipe';
import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import { Icon } from '../parts/Icon';
import { AnswerLine } from '../parts/AnswerLine';
import { dropDraft, keepDraft, takeDraft } from '../records/drafts';
import { Panel } from '../parts/Panel';
import { useEdit } from '../data/useEdit';
import type { SeasonBook } from '../data/useSeason';
import { useAttempt } from '../parts/useAttempt';
import { freshRecipe } from './freshRecipe';
import { ReadLines } from './ReadLines';
import { ReadSteps } from './ReadSteps';

interface PasteRecipeProps {
  readonly season: SeasonBook;
  /** Called with what was understood and confirmed; its components are stored. */
  readonly onRead: (draft: RecipeDraft) => void;
}

const KEY = 'paste';

/** What was pasted and answered. */
interface Kept {
  readonly name: string | null;
  readonly text: string;
  readonly habit: MeasureHabit;
  readonly answers: RecipeAnswers;
  /** Components that were stored, by the name of their part. */
  readonly made: Readonly<Record<string, string>>;
}

/** The text of an earlier visit, with its answers. */
const keptPaste = (habit: MeasureHabit): Kept => ({
  name: null,
  text: '',
  habit,
  answers: noAnswers,
  made: {},
  ...(takeDraft(KEY)?.values as Partial<Kept> | undefined),
});

/** The pasted text has become a recipe: it need not be kept any more. */
export const forgetPaste = (): void => {
  dropDraft(KEY);
};

const PLACEHOLDER = `Pecan fudge
Makes 64

1 1/2 cups packed brown sugar
1 can (354 mL) evaporated milk

1. Bring to the boil and cook to 236 F.
2. Cool to 110 F, about 1 hour, then beat.`;

/** What stands first: what must be decided, or that all is understood. */
function sayRead(read: ReadRecipe, open: number): string {
  const lines = read.parts.reduce((sum, part) => sum + part.lines.length, 0);
  if (lines + read.steps.length === 0) return 'Paste a whole recipe as it is written, or one in JSON-LD.';
  if (lines === 0) return `${sayCount(read.steps.length, 'step')}, and no ingredient: write each on a line of its own.`;
  const found = [sayCount(lines, 'line'), ...(read.steps.length > 0 ? [sayCount(read.steps.length, 'step')] : [])].join(
    ' and ',
  );
  return open === 0 ? `${found}, all understood.` : `${found}: ${String(open)} to decide.`;
}

/** A recipe from text: what is pasted above, what is understood of it below, line by line and step by step. */
export function PasteRecipe({ season, onRead }: PasteRecipeProps) {
  const { ingredients, recipes, kitchen } = season.data;
  const edit = useEdit();
  const [kept, setKept] = useState(() => keptPaste(kitchen.measures));
  const { trouble, attempt } = useAttempt();
  const { text, habit, answers, made } = kept;
  const deferred = useDeferredValue(text);
  const pantry = useMemo(() => pantryItems(ingredients, recipes), [ingredients, recipes]);
  const read = useMemo(() => readRecipe(deferred, pantry, ingredients, habit), [deferred, pantry, ingredients, habit]);
  const open = openQuestions(read, answers);
  const name = kept.name ?? read.title;
  const keys = lineKeys(read);
  const change = (more: Partial<Kept>) => {
    setKept({ ...kept, ...more });
  };
  const answer = (more: Partial<RecipeAnswers>) => {
    change({ answers: { ...answers, ...more } });
  };

  useEffect(() => {
    if (kept.text === '' && !kept.name) forgetPaste();
    else keepDraft(KEY, { version: 0, values: kept });
  }, [kept]);

  const goOn = async () => {
    const titled = { ...read, title: name };
    const stored = { ...made };
    await attempt(async () => {
      const { recipe, components } = recipesOf(titled, answers, freshRecipe, { ingredients, recipes }, made);
      for (const { part, id, draft } of components) {
        if (stored[part] !== id) await edit.add('recipe', draft, `${draft.name} added.`, id);
        stored[part] = id;
      }
      onRead(recipe);
    });
    if (Object.keys(stored).length > 0) change({ made: stored });
  };

  const hasLines = read.parts.some((part) => part.lines.length > 0);
  const readings = read.readings.filter((each) => !answers.dropped.includes(each.key));
  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Box sx={{ mb: -2 }}>
        <AnswerLine>{sayRead(read, open)}</AnswerLine>
      </Box>
      <TextField
        label="The recipe"
        placeholder={PLACEHOLDER}
        multiline
        minRows={7}
        maxRows={16}
        value={text}
        onChange={({ target }) => {
          change({ text: target.value });
        }}
      />
      {read.problem !== null && <Alert severity="error">{read.problem}</Alert>}
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', md: '1fr 220px' } }}>
        <TextField
          label="Name"
          value={name}
          onChange={({ target }) => {
            change({ name: target.value });
          }}
        />
        <TextField
          select
          label="Its cups and spoons are"
          value={habit}
          onChange={({ target }) => {
            change({ habit: target.value as MeasureHabit });
          }}
        >
          {measureHabits.map((each) => (
            <MenuItem key={each} value={each}>
              {each}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      {readings.length + read.notes.length > 0 && (
        <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap', alignItems: 'center' }}>
          {readings.map((each) => (
            <Chip
              key={each.key}
              icon={<Icon path={mdiCheck} />}
              label={each.says}
              onDelete={() => {
                answer({ dropped: [...answers.dropped, each.key] });
              }}
            />
          ))}
          {read.notes.length > 0 && (
            <Box sx={{ flexBasis: '100%', color: 'text.secondary' }}>Kept as notes: {read.notes.join(' ')}</Box>
          )}
        </Box>
      )}
      {read.parts.map(
        ({ name: part, lines }, at) =>
          lines.length > 0 && (
            <Panel key={part} title={part ? `${part}: a recipe of its own` : 'Lines'}>
              <ReadLines
                season={season}
                lines={lines}
                keys={keys[at] ?? []}
                decided={answers.lines}
                onDecide={(key, line) => {
                  answer({ lines: { ...answers.lines, [key]: line } });
                }}
              />
            </Panel>
          ),
      )}
      {read.steps.length > 0 && (
        <Panel title="Method">
          <ReadSteps
            read={{ ...read, title: name }}
            keys={stepKeys(read)}
            answers={answers.steps}
            onAnswer={(key, step) => {
              answer({ steps: { ...answers.steps, [key]: step } });
            }}
          />
        </Panel>
      )}
      {trouble !== null && <Alert severity="error">{trouble}</Alert>}
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          disabled={!hasLines || open > 0 || read.problem !== null || deferred !== text}
          onClick={() => void goOn()}
        >
          Go on
        </Button>
        {open > 0 && <span>Answer what is asked first: nothing is guessed.</span>}
      </Box>
    </Box>
  );
}
