import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { measureHabits, type MeasureHabit } from '@usual-pantry/core/kitchen';
import { sayCount } from '@usual-pantry/core/quantity';
import {
  pantryItems,
  readIngredientLines,
  readRecipeJsonLd,
  readSteps,
  type ReadLine,
} from '@usual-pantry/core/reading';
import type { RecipeDraft, RecipeLine } from '@usual-pantry/core/recipe';
import { useEffect, useMemo, useState } from 'react';
import { AnswerLine } from '../parts/AnswerLine';
import { dropDraft, keepDraft, takeDraft } from '../parts/drafts';
import { Panel } from '../parts/Panel';
import type { SeasonBook } from '../parts/useSeason';
import { freshRecipe } from './freshRecipe';
import { ReadLines } from './ReadLines';

interface PasteRecipeProps {
  readonly season: SeasonBook;
  /** Called with what was understood and confirmed. */
  readonly onRead: (draft: RecipeDraft) => void;
}

const KEY = 'paste';

/** The text of an earlier visit. */
const keptPaste = (): { name: string; text: string; steps: string } => {
  const { name = '', text = '', steps = '' } = (takeDraft(KEY)?.values ?? {}) as Partial<Record<string, string>>;
  return { name, text, steps };
};

/** The pasted text has become a recipe: it need not be kept any more. */
export const forgetPaste = (): void => {
  dropDraft(KEY);
};

const looksLikeJson = (text: string): boolean => /^\s*(?:<script|[{[])/.test(text);

/** A recipe from text: what is pasted above, what is understood of it below, line by line. */
export function PasteRecipe({ season, onRead }: PasteRecipeProps) {
  const { ingredients, recipes, kitchen } = season.data;
  const [kept] = useState(keptPaste);
  const [name, setName] = useState(kept.name);
  const [text, setText] = useState(kept.text);
  const [steps, setSteps] = useState(kept.steps);
  const [habit, setHabit] = useState<MeasureHabit>(kitchen.measures);
  const [settled, setSettled] = useState<ReadonlyMap<string, RecipeLine | null>>(new Map());
  const [problem, setProblem] = useState<string | null>(null);
  const pantry = useMemo(() => pantryItems(ingredients, recipes), [ingredients, recipes]);
  const read = useMemo(() => readIngredientLines(text, pantry, habit), [text, pantry, habit]);
  const lines = read.filter(({ kind }) => kind === 'line');
  const open = lines.filter(({ source, questions }) => questions.length > 0 && !settled.has(source));

  useEffect(() => {
    if (name + text + steps === '') forgetPaste();
    else keepDraft(KEY, { version: 0, values: { name, text, steps } });
  }, [name, text, steps]);

  const paste = (value: string) => {
    setProblem(null);
    if (!looksLikeJson(value)) {
      setText(value);
      return;
    }
    const found = readRecipeJsonLd(value);
    if ('problem' in found) {
      setProblem(found.problem);
      setText(value);
      return;
    }
    setName(found.name);
    setText(found.ingredients);
    setSteps(found.steps);
  };

  const lineOf = (each: ReadLine): RecipeLine[] => {
    const line = settled.has(each.source) ? settled.get(each.source) : each.line;
    return line ? [line] : [];
  };

  return (
    <Box sx={{ display: 'grid', gap: 2 }}>
      <Box sx={{ mb: -2 }}>
        <AnswerLine>
          {lines.length === 0
            ? 'Paste a recipe: its ingredients, one a line, or a recipe in JSON-LD.'
            : `${sayCount(lines.length, 'line')}: ${lines.length - open.length} understood, ${open.length} to settle.`}
        </AnswerLine>
      </Box>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: { xs: '1fr', md: '1fr 220px' } }}>
        <TextField
          label="Name"
          value={name}
          onChange={({ target }) => {
            setName(target.value);
          }}
        />
        <TextField
          select
          label="Its cups and spoons are"
          value={habit}
          onChange={({ target }) => {
            setHabit(target.value as MeasureHabit);
          }}
        >
          {measureHabits.map((each) => (
            <MenuItem key={each} value={each}>
              {each}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <TextField
        label="Ingredients"
        placeholder={'1 1/2 cups packed brown sugar\n1 can (354 mL) evaporated milk'}
        multiline
        minRows={5}
        maxRows={14}
        value={text}
        onChange={({ target }) => {
          paste(target.value);
        }}
      />
      {problem && <Alert severity="error">{problem}</Alert>}
      {lines.length > 0 && !problem && (
        <Panel title="Understood">
          <ReadLines
            season={season}
            read={read}
            settled={settled}
            onSettle={(source, line) => {
              setSettled(new Map(settled).set(source, line));
            }}
          />
        </Panel>
      )}
      <TextField
        label="Steps, one a line"
        multiline
        minRows={3}
        maxRows={12}
        value={steps}
        helperText="Temperatures and waits are read; correct them in the next form."
        onChange={({ target }) => {
          setSteps(target.value);
        }}
      />
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          disabled={lines.length === 0 || open.length > 0 || problem !== null}
          onClick={() => {
            const read = readSteps(steps);
            onRead({
              ...freshRecipe,
              name,
              lines: lines.flatMap(lineOf),
              steps: read,
              yield: read.some(({ effect }) => effect.kind === 'cook') ? { by: 'steps' } : freshRecipe.yield,
            });
          }}
        >
          Go on
        </Button>
        {open.length > 0 && <span>Settle every line first: nothing is guessed.</span>}
      </Box>
    </Box>
  );
}
