import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import { questionsOf, type DrillKind } from '@usual-pantry/core/practice';
import { useState } from 'react';
import { Link as RouterLink } from 'react-router';
import { useAddPracticeMutation } from '../data/makings';
import { BigButton } from './BigButton';
import { PracticePage } from './looks';

interface DrillProps {
  readonly kind: Exclude<DrillKind, 'cook' | 'pull now'>;
  readonly name: string;
}

/** Questions one after another, each with why; the score is kept at the end. */
export function Drill({ kind, name }: DrillProps) {
  const [seed, setSeed] = useState(() => Date.now());
  const [at, setAt] = useState(0);
  const [chosen, setChosen] = useState<number | null>(null);
  const [right, setRight] = useState(0);
  const [addPractice] = useAddPracticeMutation();
  const questions = questionsOf(kind, seed);
  const question = questions[at];
  const score = Math.round((100 * right) / questions.length);
  const next = () => {
    setChosen(null);
    setAt(at + 1);
    if (at + 1 === questions.length)
      void addPractice({
        drill: kind,
        about: name,
        score,
        verdict: `${String(right)} of ${String(questions.length)} right.`,
      });
  };
  return (
    <PracticePage>
      <Link component={RouterLink} to="/kitchen/practice">
        All practice
      </Link>
      {question ? (
        <>
          <Typography sx={{ typography: 'large', color: 'text.secondary' }}>
            {name}, {at + 1} of {questions.length}
          </Typography>
          <Typography variant="h1">{question.ask}</Typography>
          <Box sx={{ display: 'grid', gap: 1.25 }}>
            {question.answers.map((answer, index) => (
              <BigButton
                key={answer}
                disabled={chosen !== null && index !== question.right && index !== chosen}
                color={
                  chosen === null
                    ? 'primary'
                    : index === question.right
                      ? 'success'
                      : index === chosen
                        ? 'error'
                        : 'primary'
                }
                variant={chosen !== null && (index === question.right || index === chosen) ? 'contained' : 'outlined'}
                onClick={() => {
                  if (chosen !== null) return;
                  setChosen(index);
                  if (index === question.right) setRight(right + 1);
                }}
                sx={{ justifyContent: 'flex-start', textAlign: 'left' }}
              >
                {answer}
              </BigButton>
            ))}
          </Box>
          {chosen !== null && (
            <Paper variant="outlined" sx={{ p: 2, display: 'grid', gap: 1.5, typography: 'large' }} role="status">
              <b>{chosen === question.right ? 'Right.' : `No: ${question.answers[question.right] ?? ''}.`}</b>
              {question.why}
              <BigButton variant="contained" onClick={next}>
                {at + 1 === questions.length ? 'How it went' : 'Next'}
              </BigButton>
            </Paper>
          )}
        </>
      ) : (
        <>
          <Typography variant="h1">
            {right} of {questions.length} right: {score} of 100.
          </Typography>
          <BigButton
            variant="contained"
            onClick={() => {
              setSeed(Date.now());
              setAt(0);
              setRight(0);
            }}
          >
            Again
          </BigButton>
        </>
      )}
    </PracticePage>
  );
}
