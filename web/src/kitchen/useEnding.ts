import { rejectReasons } from '@usual-pantry/core/batch';
import { draftOfMaking, makingEndSchema, type MakingEnd } from '@usual-pantry/core/making';
import { sayList } from '@usual-pantry/core/quantity';
import { lackingFor, type Lacking } from '@usual-pantry/core/shopping';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { makingStoreOf } from '../data/makingStore';
import { useEndMakingMutation } from '../data/makings';
import { readNumber } from '../parts/readNumber';
import { sayRefusal, type Refusal } from '../parts/refusal';
import type { Bench } from './useBench';
import { useDevices } from './useDevices';
import { useScale } from './useScale';
import type { CameFrom } from './WhereFrom';

const numberOrNull = (text: string): number | null => (text.trim() === '' ? null : readNumber(text));

/** The end of a batch of which nothing has been said yet. */
const NOTHING_SAID: MakingEnd = { state: 'done', grams: null, pieces: null, rejects: [], grade: null, notes: '' };

const fields: Readonly<Record<string, string>> = {
  grams: 'What it weighs',
  rejects: 'What was rejected',
  pieces: 'The pieces',
};

/** What of the end cannot be right, in words. */
const sayWrong = ({
  issues,
}: {
  readonly issues: readonly { path: readonly PropertyKey[]; message: string }[];
}): string => issues.map(({ path, message }) => `${fields[String(path[0])] ?? 'Something'} ${message}.`).join(' ');

/** Packs that were opened for a batch, and what came from elsewhere. */
const broughtIn = (lacking: readonly Lacking[], from: CameFrom) => ({
  opened: lacking
    .filter(({ ingredientId }) => from[ingredientId] === 'opened')
    .map(({ ingredientId, packs }) => ({
      ingredientId,
      grams: packs.reduce((sum, pack) => sum + pack.grams * pack.count, 0),
    })),
  elsewhere: lacking.map(({ ingredientId }) => ingredientId).filter((id) => from[id] === 'elsewhere'),
});

/** The end of a batch: what is said of it, what the pantry lacks of it, and how it is written down. */
export function useEnding(bench: Bench) {
  const { making, facts, events, state, sheet, season, size } = bench;
  const { devices } = useDevices();
  const { net, tare } = useScale(devices.scale !== 'none');
  const [end, { isLoading }] = useEndMakingMutation();
  const navigate = useNavigate();
  const [grams, setGrams] = useState('');
  const [pieces, setPieces] = useState('');
  const [rejects, setRejects] = useState<Readonly<Record<string, string>>>({});
  const [grade, setGrade] = useState<number | null>(null);
  const [notes, setNotes] = useState('');
  const [from, setFrom] = useState<CameFrom>({});
  const [trouble, setTrouble] = useState<string | null>(null);
  const expected = facts.yieldGrams * size;
  const weighed = grams.trim() === '' ? net : readNumber(grams);
  const outcome = (how: MakingEnd['state']) => ({
    state: how,
    grams: how === 'failed' ? null : weighed,
    pieces: numberOrNull(pieces),
    rejects: rejectReasons.flatMap((reason) => {
      const count = numberOrNull(rejects[reason] ?? '');
      return count === null || count === 0 ? [] : [{ reason, count }];
    }),
    grade,
    notes,
  });
  const asItStands = draftOfMaking(making, facts, events, state, sheet, NOTHING_SAID, making.startedAt);
  const lacking = lackingFor([asItStands], facts, season.book.ingredients);
  const finish = async (how: MakingEnd['state']) => {
    setTrouble(null);
    const read = makingEndSchema.safeParse(outcome(how));
    if (!read.success) {
      setTrouble(sayWrong(read.error));
      return;
    }
    const open = lacking.filter(({ ingredientId }) => !from[ingredientId]);
    if (open.length > 0) {
      setTrouble(`Say where ${sayList(open.map(({ name }) => name))} came from: the pantry does not have all of it.`);
      return;
    }
    if (!(await makingStoreOf(making.id).settled())) {
      setTrouble(
        'The kitchen’s server does not answer, and not everything has reached it yet. All of it is kept here: end the batch when it answers again.',
      );
      return;
    }
    try {
      await end({
        id: making.id,
        label: `1 batch of ${facts.recipe.name} ${how === 'done' ? 'made' : 'failed'}.`,
        end: { ...read.data, ...broughtIn(lacking, from) },
      }).unwrap();
      await navigate('/kitchen');
    } catch (error) {
      setTrouble(sayRefusal(error as Refusal));
    }
  };
  return {
    net,
    tare,
    weighed,
    expected,
    grams,
    setGrams,
    pieces,
    setPieces,
    rejects,
    setRejects,
    grade,
    setGrade,
    notes,
    setNotes,
    from,
    setFrom,
    lacking,
    trouble,
    isLoading,
    finish,
  };
}
