import { cookables, potSetupOf, type Cookable, type PotSetup } from '@usual-pantry/core/practice';
import { useState } from 'react';
import { useSeasonBook } from '../data/useSeason';
import { Waiting } from '../parts/Waiting';
import { PracticeForm, type PracticeChoice } from './PracticeForm';
import { PracticePotScreen } from './PracticePotScreen';

/** What is being cooked. */
interface Running {
  readonly cookable: Cookable;
  readonly setup: PotSetup;
  readonly choice: PracticeChoice;
  /** Counts the runs, so that each begins anew. */
  readonly run: number;
}

/** Practises a cook: first the pot is chosen, then it is cooked. */
export function CookPractice({ kind }: { kind: 'cook' | 'pull now' }) {
  const { season, error, again } = useSeasonBook();
  const [running, setRunning] = useState<Running | null>(null);
  if (!season) return <Waiting error={error} again={again} />;
  const { book, data } = season;
  const begin = (cookable: Cookable, choice: PracticeChoice) => {
    const setup = potSetupOf(cookable, book, data.kitchen, choice, Math.random);
    if (setup) setRunning({ cookable, setup, choice, run: (running?.run ?? 0) + 1 });
  };
  if (!running) return <PracticeForm kind={kind} cookables={cookables(book)} season={season} onBegin={begin} />;
  return (
    <PracticePotScreen
      key={running.run}
      kind={kind}
      season={season}
      {...running}
      onAgain={() => {
        begin(running.cookable, running.choice);
      }}
      onOther={() => {
        setRunning(null);
      }}
    />
  );
}
