import { mdiCheck, mdiHelpRhombusOutline } from '@mdi/js';
import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { noStepAnswers, type ReadRecipe, type RecipeAnswers, type StepAnswers } from '@usual-pantry/core/reading';
import { Icon } from '../parts/Icon';

interface ReadStepsProps {
  readonly read: ReadRecipe;
  /** The key of each step. */
  readonly keys: readonly string[];
  readonly answers: RecipeAnswers['steps'];
  readonly onAnswer: (key: string, answers: StepAnswers) => void;
}

/** What was understood of the method, step by step: each reading may be dropped, each question is answered by a choice. */
export function ReadSteps({ read, keys, answers, onAnswer }: ReadStepsProps) {
  const parts = read.parts.map(({ name }) => name || read.title || 'the recipe itself');
  return (
    <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1.25 }}>
      {read.steps.map((step, index) => {
        const key = keys[index] ?? '';
        const own = answers[key] ?? noStepAnswers;
        const open = step.questions.some(
          ({ choices }, at) => choices.length === 0 || typeof own.choices[at] !== 'number',
        );
        const set = (more: Partial<StepAnswers>) => {
          onAnswer(key, { ...own, ...more });
        };
        return (
          <Box
            component="li"
            key={key}
            aria-label={step.text}
            sx={{ borderLeft: 4, borderColor: open ? 'warning.light' : 'success.main', pl: 1.5, minWidth: 0 }}
          >
            <Box sx={{ overflowWrap: 'anywhere' }}>{step.text}</Box>
            <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap', alignItems: 'center', mt: 0.5 }}>
              {step.readings
                .filter((reading) => !own.dropped.includes(reading.key))
                .map((reading) => (
                  <Chip
                    key={reading.key}
                    size="small"
                    icon={<Icon path={mdiCheck} />}
                    label={reading.says}
                    onDelete={() => {
                      set({ dropped: [...own.dropped, reading.key] });
                    }}
                  />
                ))}
              {parts.length > 1 && (
                <TextField
                  select
                  size="small"
                  label="Makes"
                  value={own.part ?? step.part}
                  fullWidth={false}
                  sx={{ ml: 'auto', width: 210 }}
                  onChange={({ target }) => {
                    set({ part: Number(target.value) });
                  }}
                >
                  {parts.map((name, at) => (
                    <MenuItem key={name} value={at}>
                      {name}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            </Box>
            {step.questions.map((question, at) => (
              <Box
                key={question.text}
                sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center', mt: 0.5 }}
              >
                <Icon path={mdiHelpRhombusOutline} />
                <Box component="span" sx={{ fontWeight: 650 }}>
                  {question.text}
                </Box>
                {question.choices.map(({ label }, choice) => (
                  <Chip
                    key={label}
                    label={label}
                    variant={own.choices[at] === choice ? 'filled' : 'outlined'}
                    color={own.choices[at] === choice ? 'primary' : 'default'}
                    aria-pressed={own.choices[at] === choice}
                    onClick={() => {
                      set({
                        choices: step.questions.map((_question, other) =>
                          other === at ? choice : (own.choices[other] ?? null),
                        ),
                      });
                    }}
                  />
                ))}
              </Box>
            ))}
            {step.remarks.map((remark) => (
              <Box key={remark} sx={{ typography: 'note', color: 'text.secondary' }}>
                {remark}
              </Box>
            ))}
          </Box>
        );
      })}
    </Box>
  );
}
