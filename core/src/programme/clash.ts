import type { Book } from '../book/index.js';
import { openWayOut, type Subject, type WayOut } from '../finding/index.js';
import { isOpen, priceOfOrder, type OrderFiled } from '../order/index.js';
import { sayDay, sayList, sayMinutes, sayMoney, type Day } from '../quantity/index.js';
import { groupBy } from '../record/index.js';
import { relaxed, smallestClash, type SolveOptions, type Solver } from '../solver/index.js';
import { weights } from './builder.js';
import { buildProgramme } from './programme.js';
import { programmeInput, type ProgrammeQuestion } from './question.js';

const boxesOf = ({ lines }: OrderFiled): number => lines.reduce((sum, { count }) => sum + count, 0);

/** A day cannot be set to run over by more. */
const MOST_OVERTIME = 240;

/** What clashes when a season is impossible, in words, and the hand-over days among it. */
async function clashOf(question: ProgrammeQuestion, solver: Solver) {
  const { model, claims } = buildProgramme({ ...programmeInput(question), bare: true });
  const rows = claims.map(({ row }) => row);
  // When even this is impossible, the reason is not the size of batches.
  const { status } = await solver(relaxed(model));
  const clash = status === 'impossible' ? await smallestClash(relaxed(model), rows, solver) : [];
  const inClash = claims.filter(({ row }) => clash.includes(row));
  const days = inClash.filter(({ kind }) => kind === 'day').map(({ day, text }) => `${sayDay(day)} has ${text}`);
  const wanted = groupBy(
    inClash.filter(({ kind }) => kind === 'hand-over'),
    ({ day }) => day,
  );
  return {
    handOvers: new Set(wanted.keys()),
    clash:
      clash.length === 0
        ? ['Whole batches, with their rests and the equipment that there is, do not fit into the days.']
        : [
            ...days,
            ...[...wanted].map(([day, list]) => `${sayDay(day)} wants ${sayList(list.map(({ text }) => text))}`),
          ],
  };
}

/** Minutes beyond the hours that the season takes when days may run over for long, and the most on one day; null when even that is too little. */
async function minutesBeyond(question: ProgrammeQuestion, solver: Solver, options: SolveOptions) {
  const { kitchen } = question.book;
  const longer: Book = { ...question.book, kitchen: { ...kitchen, overtimeMinutes: MOST_OVERTIME } };
  const { model } = buildProgramme(programmeInput({ ...question, book: longer }));
  const { values } = await solver(model, { ...options, gap: 0.05, work: 10 });
  if (values.length === 0) return null;
  const over = model.columns.flatMap(({ name }, index) => (name.startsWith('overtime ') ? [values[index] ?? 0] : []));
  return {
    minutes: Math.ceil(over.reduce((sum, each) => sum + each, 0)),
    most: Math.ceil(Math.max(0, ...over) / 5) * 5,
  };
}

/** Moving one of the largest orders of the days that clash: what is lost if the customer says no, and whether it is enough by itself. */
async function movesOf(question: ProgrammeQuestion, handOvers: ReadonlySet<Day>, solver: Solver): Promise<WayOut[]> {
  const largest = question.orders
    .filter((order) => isOpen(order) && handOvers.has(order.handOver.on))
    .sort((a, b) => boxesOf(b) - boxesOf(a))
    .slice(0, 2);
  const ways: WayOut[] = [];
  for (const order of largest) {
    const { id, customer } = order;
    const orders = question.orders.filter((each) => each.id !== id);
    const { model } = buildProgramme({ ...programmeInput({ ...question, orders }), bare: true });
    const enough = (await solver(relaxed(model))).status !== 'impossible';
    const subject: Subject = { noun: 'order', id, name: customer.name };
    const atStake = sayMoney(priceOfOrder(order, question.book), question.book.kitchen.currency);
    const label = `Move ${customer.name}’s order to a later day: ${atStake} at stake, ${enough ? 'enough' : 'not enough'} by itself`;
    ways.push(openWayOut(subject, label));
  }
  return ways;
}

/** What clashes when a season is impossible, and what would make it possible, with what that costs. */
export async function explain(question: ProgrammeQuestion, solver: Solver, options: SolveOptions) {
  const { clash, handOvers } = await clashOf(question, solver);
  const beyond = await minutesBeyond(question, solver, options);
  const { handsRateMinorPerHour, currency } = question.book.kitchen;
  const price = (rate: number) =>
    beyond ? `: about ${sayMoney(Math.round((beyond.minutes / 60) * handsRateMinorPerHour * rate), currency)}` : '';
  const overtime: WayOut[] = beyond
    ? [
        {
          label: `Work ${sayMinutes(beyond.minutes)} more, up to ${sayMinutes(beyond.most)} a day${price(weights.overtime)}`,
          action: { kind: 'overtime', minutes: beyond.most },
        },
      ]
    : [];
  return {
    clash,
    waysOut: [
      ...overtime,
      ...(await movesOf(question, handOvers, solver)),
      openWayOut({ noun: 'kitchen', id: 'kitchen', name: 'the kitchen' }, `Set more bench days${price(1)}`),
    ],
  };
}
