import { seeded, stages, temperingAt, temperingBands, temperingSchools } from '../cooking/index.js';
import { sayTemperature } from '../quantity/index.js';
import type { DrillKind } from './schema.js';

/** A question with its answers, one of which is right, and why. */
export interface Question {
  readonly ask: string;
  readonly answers: readonly string[];
  readonly right: number;
  readonly why: string;
}

const chocolates = ['dark', 'milk', 'white'] as const;

function shuffled<T>(list: readonly T[], random: () => number): T[] {
  return list
    .map((each) => ({ each, by: random() }))
    .sort((a, b) => a.by - b.by)
    .map(({ each }) => each);
}

/** A question from the right answer and some that are not, in any order. */
function asked(ask: string, right: string, others: readonly string[], why: string, random: () => number): Question {
  const answers = shuffled(
    [
      right,
      ...shuffled(
        [...new Set(others)].filter((each) => each !== right),
        random,
      ).slice(0, 3),
    ],
    random,
  );
  return { ask, answers, right: answers.indexOf(right), why };
}

function coldWater(random: () => number): Question {
  const stage = stages[Math.floor(random() * stages.length)];
  if (!stage) throw new RangeError('no stage');
  return asked(
    `A drop in cold water ${stage.coldWater}. Which stage is it?`,
    stage.name,
    stages.map(({ name }) => name),
    `${stage.name}: ${sayTemperature([stage.from, stage.to])} at sea level.`,
    random,
  );
}

/** A trouble at the bench with what helps. Common practice, no source. */
interface Trouble {
  readonly ask: string;
  readonly right: string;
  readonly wrong: readonly string[];
  readonly why: string;
}

const troubles: Readonly<Record<'split ganache' | 'seized chocolate', readonly Trouble[]>> = {
  'split ganache': [
    {
      ask: `A dark ganache is oily and curdled at ${sayTemperature(45)}. What first?`,
      right: 'Stir in a spoonful of warm cream or milk, from the middle',
      wrong: ['Whisk it hard while it is hot', 'Boil it again', 'Put it into the fridge'],
      why: 'There is too little water for its fat: a little more brings the emulsion back. Heat and force part it further.',
    },
    {
      ask: 'A ganache split when cream from the fridge went onto the chocolate. What helps?',
      right: `Warm all of it gently to about ${sayTemperature(35)} and stir it smooth`,
      wrong: ['More cold cream', 'Whip air into it', 'Strain the fat off'],
      why: 'The cream was too cold to melt the chocolate: the fat set in grains before it was an emulsion.',
    },
    {
      ask: `A ganache stands at ${sayTemperature(24)}, grainy and dull, and is to be piped. What first?`,
      right: `Warm it to about ${sayTemperature(32)} and stir slowly`,
      wrong: ['Pipe it now, it smooths itself', 'Beat it with a whisk', 'Add cold butter'],
      why: 'It has set too far: warmed a little it flows again. Beaten cold it parts.',
    },
    {
      ask: 'How is a ganache best begun so that it does not split?',
      right: 'Hot cream over chopped chocolate, a wait, then stirring from the middle',
      wrong: [
        'All at once with a whisk',
        'Chocolate into boiling cream on the heat',
        'Cold cream into melted chocolate',
      ],
      why: 'An emulsion grows from a small dense middle; on the heat the chocolate scorches.',
    },
  ],
  'seized chocolate': [
    {
      ask: 'A drop of water fell into melted chocolate and it is stiff. What can it still become?',
      right: 'A ganache or a sauce: stir in warm liquid until it is smooth',
      wrong: ['A coating, once it is hotter', 'Tempered chocolate, once it is cooled', 'Nothing: throw it away'],
      why: 'A little water makes sugar stick together; enough water, a fifth of the mass and more, lets it flow. It will not coat any more.',
    },
    {
      ask: `Chocolate went over ${sayTemperature(60)} and is thick and lumpy. What now?`,
      right: 'Off the heat, stir in cooler chocolate; strain it, and do not use it to coat if lumps stay',
      wrong: ['More heat until it flows', 'A spoonful of water', 'Beat it with a mixer'],
      why: 'It is scorched: heat makes it worse. Milk and white chocolate scorch sooner than dark.',
    },
    {
      ask: 'What keeps chocolate from seizing over a pan of water?',
      right: 'A dry bowl, no steam at its rim, water that does not touch it',
      wrong: ['A lid on the bowl', 'A spoonful of water from the beginning', 'Boiling as fast as it can'],
      why: 'It is steam and drops that seize it.',
    },
    {
      ask: `Chocolate is too thick to dip with and stands at ${sayTemperature(27)}. What thins it?`,
      right: 'A degree or two of warmth, or a little cocoa butter',
      wrong: ['A spoonful of milk', 'Water', 'Cold butter'],
      why: 'It is overcrystallised: warmth melts some of the crystals. Anything with water in it seizes it.',
    },
  ],
};

function trouble(kind: 'split ganache' | 'seized chocolate', random: () => number): Question {
  const all = troubles[kind];
  const one = all[Math.floor(random() * all.length)];
  if (!one) throw new RangeError('no trouble');
  return asked(one.ask, one.right, one.wrong, one.why, random);
}

function tempering(random: () => number): Question {
  const chocolate = chocolates[Math.floor(random() * chocolates.length)] ?? 'dark';
  const school = temperingSchools[Math.floor(random() * 3)] ?? 'seed';
  const bands = temperingBands(chocolate, school);
  const work = bands.at(-1)?.window ?? [30, 32];
  const [meltFrom, meltTo] = bands[0]?.window ?? [45, 50];
  const way: number[] = [20, (meltFrom + meltTo) / 2];
  const kind = Math.floor(random() * 4);
  if (kind === 0) way[1] = meltFrom - 5;
  if (kind >= 1) for (const { window } of bands.slice(1, -1)) way.push((window[0] + window[1]) / 2);
  if (kind === 2) way.push((work[0] + work[1]) / 2);
  if (kind === 3) way.push((work[0] + work[1]) / 2, work[1] + 3);
  const at = (readings: readonly number[]) => temperingAt(readings, chocolate, school).advice;
  const others = [
    at([20, meltFrom - 5]),
    at([20, meltTo]),
    at([20, meltTo, ...bands.slice(1, -1).map(({ window }) => window[0]), (work[0] + work[1]) / 2]),
    at([20, meltTo, ...bands.slice(1, -1).map(({ window }) => window[0]), (work[0] + work[1]) / 2, work[1] + 3]),
    'Work it now whatever it shows: it sets anyway.',
  ];
  const path = way.slice(1).map((celsius) => sayTemperature(celsius));
  return asked(
    `You temper ${chocolate} chocolate by ${school}. It went to ${path.join(', then ')}. What now?`,
    at(way),
    others,
    bands.map(({ name, window }) => `${name} ${sayTemperature([window[0], window[1]])}`).join('; '),
    random,
  );
}

/** So many questions make a drill. */
export const QUESTIONS = 5;

/** The questions of a drill; the same for the same seed, each once as far as there are so many. */
export function questionsOf(drill: Exclude<DrillKind, 'cook' | 'pull now'>, seed: number): Question[] {
  const random = seeded(seed);
  const questions = new Map<string, Question>();
  for (let turn = 0; turn < 60 && questions.size < QUESTIONS; turn++) {
    const question =
      drill === 'cold water' ? coldWater(random) : drill === 'tempering' ? tempering(random) : trouble(drill, random);
    questions.set(question.ask, question);
  }
  return [...questions.values()];
}
