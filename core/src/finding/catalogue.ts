import {
  sayCount,
  sayDay,
  sayFarDay,
  sayExact,
  sayGrams,
  sayLength,
  sayList,
  sayMinutes,
  sayNumber,
  type Day,
} from '../quantity/index.js';
import type { Noun, Severity } from './way-out.js';

/**
 * What a finding stands in the way of.
 * `programme`: the season’s programme forbids it, and so does every plan, move and promise.
 * `promise`: it must be decided before a date is promised, whatever that date is.
 * `order`: the order itself cannot be made in time, or holds nothing.
 * `hand-over`: something that is ordered is not handed over as it was promised.
 * `label`: the label cannot be printed.
 */
export type Block = 'programme' | 'promise' | 'order' | 'hand-over' | 'label';

/** One kind of finding. */
interface Kind<About extends Noun, Facts> {
  readonly severity: Severity;
  /** What it is about. */
  readonly about: About;
  /** What one, and several of them, are called in a count. */
  readonly called: readonly [one: string, several: string];
  readonly blocks: readonly Block[];
  /** Its sentence. @param name of what it is about */
  readonly say: (name: string, facts: Facts) => string;
}

const kind = <About extends Noun, Facts = object>(
  severity: Severity,
  about: About,
  called: readonly [one: string, several: string],
  blocks: readonly Block[],
  say: (name: string, facts: Facts) => string,
): Kind<About, Facts> => ({ severity, about, called, blocks, say });

const days = (count: number): string => sayCount(count, 'day');
const isOrAre = (count: number): string => `${count === 1 ? 'is' : 'are'} ${String(count)}`;

/** Every finding there is: how grave it is, what it is about, what it stands in the way of, and its sentence. */
export const catalogue = {
  'allergen-undeclared': kind(
    'stop',
    'ingredient',
    ['undeclared allergen', 'undeclared allergens'],
    ['label'],
    (name, { word, anyOf }: { word: string; anyOf: string }) =>
      `The declaration of ${name} says “${word}”, but ${anyOf} is not among what ${name} contains: it would be missing from every label.`,
  ),
  'substance-undeclared': kind(
    'decide',
    'ingredient',
    ['undeclared substance', 'undeclared substances'],
    [],
    (name, { word, anyOf }: { word: string; anyOf: string }) =>
      `The declaration of ${name} says “${word}”, but ${anyOf} is not among what ${name} contains: it would be missing from every label.`,
  ),
  'kind-missing': kind(
    'decide',
    'ingredient',
    ['kind of fish or shellfish to name', 'kinds of fish or shellfish to name'],
    [],
    (name) => `A US label names the kind of fish or shellfish: say which ${name} contains.`,
  ),
  'coating-called-chocolate': kind(
    'decide',
    'ingredient',
    ['coating called chocolate', 'coatings called chocolate'],
    [],
    (name) =>
      `${name} is called chocolate on the label, but holds other fats than those of cocoa and milk: call it a compound or chocolate-flavored coating (21 CFR 163).`,
  ),
  'pack-unweighed': kind(
    'stop',
    'ingredient',
    ['pack without a weight', 'packs without a weight'],
    [],
    (name, { pack }: { pack: string }) =>
      `The pack "${pack}" of ${name} cannot be weighed: give ${name} a density or a weight for one.`,
  ),
  'ingredient-unpriced': kind(
    'decide',
    'ingredient',
    ['ingredient without a price', 'ingredients without a price'],
    [],
    (name) => `${name} has no pack and no price: it is missing from every cost and cannot be bought from the list.`,
  ),
  'cannot-buy': kind(
    'decide',
    'ingredient',
    ['missing ingredient without a pack', 'missing ingredients without a pack'],
    [],
    (name) => `${name} is missing and has no pack to buy.`,
  ),
  'buy-late': kind(
    'decide',
    'ingredient',
    ['ingredient to buy too late', 'ingredients to buy too late'],
    ['programme'],
    (name, { buyBy }: { buyBy: Day }) =>
      `${name} should have been ordered by ${sayDay(buyBy)}: it is not there in time for its first use.`,
  ),
  'stock-spoils': kind(
    'know',
    'ingredient',
    ['ingredient that spoils unused', 'ingredients that spoil unused'],
    [],
    (name, { grams }: { grams: number }) =>
      `${sayGrams(grams)} of ${name} in the pantry pass their use-by before anything takes them.`,
  ),

  'recipe-empty': kind(
    'know',
    'recipe',
    ['empty recipe', 'empty recipes'],
    [],
    (name) => `${name} has no ingredients yet.`,
  ),
  'line-unknown': kind(
    'stop',
    'recipe',
    ['recipe line that names nothing', 'recipe lines that name nothing'],
    [],
    (name, { line }: { line: number }) =>
      `Line ${String(line)} of ${name} names something that is not there any more or cannot be worked out.`,
  ),
  'line-unweighed': kind(
    'stop',
    'recipe',
    ['recipe line without a weight', 'recipe lines without a weight'],
    [],
    (name, { line, problem }: { line: number; problem: string }) => `Line ${String(line)} of ${name}: ${problem}.`,
  ),
  'composition-missing': kind(
    'stop',
    'recipe',
    ['yield that cannot be worked out', 'yields that cannot be worked out'],
    [],
    (name, { unknown }: { unknown: readonly string[] }) =>
      `${name}: its yield cannot follow from its steps while the composition of ${sayList(unknown)} is not known. Give it, or weigh the yield.`,
  ),
  'yield-above-raw': kind(
    'stop',
    'recipe',
    ['yield above what goes in', 'yields above what goes in'],
    [],
    (name, { yieldGrams, rawGrams }: { yieldGrams: number; rawGrams: number }) =>
      `${name} is said to give ${sayGrams(yieldGrams)}, more than the ${sayGrams(rawGrams)} that go in.`,
  ),
  'recipe-cycle': kind(
    'stop',
    'recipe',
    ['recipe made of itself', 'recipes made of themselves'],
    [],
    (_name, { cycle }: { cycle: string }) => `A recipe cannot be made of itself: ${cycle}.`,
  ),
  'rests-too-long': kind(
    'decide',
    'recipe',
    ['recipe that rests longer than it keeps', 'recipes that rest longer than they keep'],
    [],
    (name, { restDays, keepsDays }: { restDays: number; keepsDays: number }) =>
      `${name} rests ${String(restDays)} days and keeps ${String(keepsDays)}: it is never fit to be used.`,
  ),
  'no-pot': kind(
    'stop',
    'recipe',
    ['recipe without a pot that holds it', 'recipes without a pot that holds them'],
    [],
    tooSmall,
  ),
  'pot-too-small': kind('decide', 'recipe', ['pot too small', 'pots too small'], [], tooSmall),
  'size-bounded': kind(
    'know',
    'recipe',
    ['recipe that is made smaller than it allows', 'recipes that are made smaller than they allow'],
    [],
    (name, { most, allowed, vessel }: { most: number; allowed: number; vessel: string }) =>
      `${name} may be made up to ${sayExact(allowed)} of a base batch, but the ${vessel} takes ${sayExact(most)}: no batch of it is planned larger.`,
  ),
  'unfit-air': kind(
    'decide',
    'recipe',
    ['batch made in air that may spoil it', 'batches made in air that may spoil them'],
    ['programme'],
    (_name, { why }: { why: string }) => why,
  ),
  'pool-short': kind(
    'decide',
    'recipe',
    ['pool for dipping too low', 'pools for dipping too low'],
    ['programme'],
    (name, { day }: { day: Day }) =>
      `${name} does not stand high enough to dip and fill on ${sayDay(day)}: make one more batch of it.`,
  ),
  'not-rested': kind(
    'decide',
    'recipe',
    ['component that has not rested', 'components that have not rested'],
    ['programme'],
    (name, { until, wantedOn, user }: { until: Day; wantedOn: Day; user: string }) =>
      `${name} must rest until ${sayDay(until)}, but is wanted on ${sayDay(wantedOn)} for ${user}.`,
  ),
  'not-said': kind(
    'decide',
    'recipe',
    ['batch to say made or not', 'batches to say made or not'],
    [],
    (name, { batches, isOne, day }: { batches: string; isOne: boolean; day: Day }) =>
      `${batches} of ${name} ${isOne ? 'was' : 'were'} to be made on ${sayDay(day)}: until you say so, the plan makes this on another day.`,
  ),

  'piece-does-not-fit': kind(
    'stop',
    'piece',
    ['piece too large for its pan', 'pieces too large for their pan'],
    [],
    (name) => `${name}: not one piece of that size fits in the pan.`,
  ),
  'piece-incomplete': kind(
    'stop',
    'piece',
    ['piece that cannot be worked out', 'pieces that cannot be worked out'],
    [],
    (name) => `${name} cannot be worked out until its recipes can: its weight, cost and label are not the whole truth.`,
  ),
  'cavity-not-filled': kind(
    'decide',
    'piece',
    ['cavity not filled', 'cavities not filled'],
    [],
    (name, { wrong }: { wrong: string }) => `${name}: ${wrong}`,
  ),
  'pan-too-shallow': kind(
    'decide',
    'piece',
    ['pan too shallow', 'pans too shallow'],
    [],
    (name, { foams, heightMm, pan, depthMm }: { foams: boolean; heightMm: number; pan: string; depthMm: number }) =>
      `${name}: a base batch ${foams ? 'foams' : 'stands'} ${sayLength(heightMm)} high in ${pan}, which is ${sayLength(depthMm)} deep. Take a larger pan, or several.`,
  ),
  'unfit-air-to-finish': kind(
    'decide',
    'piece',
    ['piece finished in air that may spoil it', 'pieces finished in air that may spoil them'],
    ['programme'],
    (_name, { why }: { why: string }) => why,
  ),
  'set-in-fridge': kind(
    'know',
    'piece',
    ['piece to set in the fridge', 'pieces to set in the fridge'],
    [],
    (name, { day }: { day: Day }) => `${name} is finished on ${sayDay(day)}, a warm day: set it in the fridge.`,
  ),
  'take-out': kind(
    'know',
    'piece',
    ['piece to take out of the freezer', 'pieces to take out of the freezer'],
    [],
    (name, { day, count, handOver }: { day: Day; count: number; handOver: Day }) =>
      `${name}: take ${String(count)} out of the freezer into the fridge on ${sayDay(day)}; they thaw for ${sayDay(handOver)}.`,
  ),
  'unfit-air-to-keep': kind(
    'know',
    'piece',
    ['piece that the air may spoil while it waits', 'pieces that the air may spoil while they wait'],
    [],
    (name, { days: over, isWarm }: { days: readonly { day: Day; against: string }[]; isWarm: boolean }) =>
      `${name} stands over ${over.map(({ day, against }) => `${sayDay(day)} (${against})`).join(' and ')}. Keep it tightly closed${isWarm ? ', in the coolest place that there is' : ''}.`,
  ),
  'life-beyond-layers': kind(
    'decide',
    'piece',
    ['life longer than a layer keeps', 'lives longer than a layer keeps'],
    [],
    (name, { keepsDays, layer, layerDays }: { keepsDays: number; layer: string; layerDays: number }) =>
      `${name} is to keep ${days(keepsDays)}, but ${layer} keeps ${days(layerDays)}.`,
  ),
  'life-beyond-estimate': kind(
    'decide',
    'piece',
    ['life longer than estimated', 'lives longer than estimated'],
    [],
    (
      name,
      {
        keepsDays,
        isKeptCool,
        wet,
        mostDays,
      }: { keepsDays: number; isKeptCool: boolean; wet: string; mostDays: number },
    ) =>
      `${name} is to keep ${days(keepsDays)}${isKeptCool ? '' : ' and is not kept cool'}, but the water activity of ${wet} may be above 0.88: an estimate. Keep it cool, give it ${days(mostDays)} at most, or have it tested.`,
  ),
  'life-beyond-raw-egg': kind(
    'decide',
    'piece',
    ['life too long for raw egg', 'lives too long for raw egg'],
    [],
    (name, { keepsDays, mostDays }: { keepsDays: number; mostDays: number }) =>
      `${name} is to keep ${days(keepsDays)}, but it has raw egg in it: ${days(mostDays)} at most, kept cold, and ask your local authority.`,
  ),
  'window-empty': kind(
    'decide',
    'piece',
    ['life too short for its hand-over', 'lives too short for their hand-over'],
    ['programme', 'hand-over'],
    (
      name,
      {
        keepsDays,
        leadDays,
        handOver,
        promisedDays,
      }: { keepsDays: number; leadDays: number; handOver: Day; promisedDays: number },
    ) =>
      `${name} keeps ${String(keepsDays)} days: made ${String(leadDays)} days before ${sayDay(handOver)}, it does not have the promised ${String(promisedDays)} days left.`,
  ),

  'box-empty': kind(
    'stop',
    'box',
    ['empty box', 'empty boxes'],
    [],
    (name) => `${name} has no pieces: it cannot be made, costed or labelled.`,
  ),
  'box-gaps': kind(
    'know',
    'box',
    ['box with empty cells', 'boxes with empty cells'],
    [],
    (name, { cells }: { cells: number }) => `${name} has ${String(cells)} empty ${cells === 1 ? 'cell' : 'cells'}.`,
  ),
  'box-unknown-piece': kind(
    'stop',
    'box',
    ['box with a piece that is gone', 'boxes with a piece that is gone'],
    [],
    (name) => `${name} names a piece that is not there any more.`,
  ),
  'piece-too-big': kind(
    'decide',
    'box',
    ['piece that does not fit its cell', 'pieces that do not fit their cells'],
    [],
    (_name, { why }: { why: string }) => why,
  ),
  'label-incomplete': kind(
    'stop',
    'box',
    ['label that cannot be worked out', 'labels that cannot be worked out'],
    ['label'],
    (name) => `The label of ${name} cannot be printed until everything in it can be worked out.`,
  ),
  'label-no-panel': kind(
    'decide',
    'box',
    ['package of unknown size', 'packages of unknown size'],
    [],
    (name) =>
      `How large the front of the package of ${name} is, is not known: the net quantity goes by it, and is set for no more than the sticker or the tray.`,
  ),
  'box-called-chocolate': kind(
    'decide',
    'box',
    ['box called chocolate', 'boxes called chocolate'],
    [],
    (_name, { called }: { called: string }) =>
      `“${called}” is called chocolate, but all that is like chocolate in it is made with other fats: call it compound or chocolate-flavored (21 CFR 163).`,
  ),

  'exclusion-broken': kind(
    'decide',
    'order',
    ['exclusion broken', 'exclusions broken'],
    ['promise'],
    (
      name,
      {
        exclusion,
        box,
        what,
        pieces,
      }: { exclusion: string; box: string; what: readonly string[]; pieces: readonly string[] },
    ) => `${name} wants no ${exclusion}, but ${box} contains ${sayList(what)} (${sayList(pieces)}).`,
  ),
  'exclusion-broken-as-made': kind(
    'stop',
    'order',
    ['exclusion broken by what went into a batch', 'exclusions broken by what went into a batch'],
    ['promise', 'hand-over'],
    (
      name,
      {
        exclusion,
        box,
        what,
        pieces,
      }: { exclusion: string; box: string; what: readonly string[]; pieces: readonly string[] },
    ) =>
      `${name} wants no ${exclusion}, but something else went into a batch than its recipe says: ${box} contains ${sayList(what)} (${sayList(pieces)}).`,
  ),
  'exclusion-traces': kind(
    'know',
    'order',
    ['exclusion with traces', 'exclusions with traces'],
    [],
    (name, { exclusion, box, traces }: { exclusion: string; box: string; traces: readonly string[] }) =>
      `${name} wants no ${exclusion}; ${box} has none in it, but may contain ${sayList(traces)}, its suppliers say.`,
  ),
  'alcohol-carrier': kind(
    'know',
    'order',
    ['box made with a trace of alcohol', 'boxes made with a trace of alcohol'],
    [],
    (name, { box, carriers }: { box: string; carriers: readonly string[] }) =>
      `${name} wants no alcohol: ${box} has no spirit, wine, beer or liqueur in it, but ${sayList(carriers)}, which is made with alcohol. Rule out “any alcohol” where that matters.`,
  ),
  'must-not-travel': kind(
    'decide',
    'order',
    ['box that must not travel', 'boxes that must not travel'],
    [],
    (name, { box, pieces }: { box: string; pieces: readonly string[] }) =>
      `${name} gets ${box} by courier, but ${sayList(pieces)} must not travel.`,
  ),
  'must-be-kept-cool': kind(
    'know',
    'order',
    ['box to keep cool', 'boxes to keep cool'],
    [],
    (name, { box, pieces }: { box: string; pieces: readonly string[] }) =>
      `${name} gets ${box} by courier, but ${sayList(pieces)} must be kept cool.`,
  ),
  'hand-over-passed': kind(
    'decide',
    'order',
    ['hand-over that has passed', 'hand-overs that have passed'],
    [],
    (name, { day, state }: { day: Day; state: string }) =>
      `${name} was to be handed over on ${sayDay(day)} and is still ${state}.`,
  ),
  'hand-over-far-off': kind(
    'decide',
    'order',
    ['hand-over more than a year away', 'hand-overs more than a year away'],
    [],
    (name, { day, plannedFrom }: { day: Day; plannedFrom: Day }) =>
      `${name} is to be handed over on ${sayFarDay(day)}, more than a year away. Is the year right? If so, it will be planned from ${sayFarDay(plannedFrom)} on.`,
  ),
  'packed-not-made': kind(
    'decide',
    'order',
    ['order packed that is not noted as made', 'orders packed that are not noted as made'],
    [],
    (name, { pieces }: { pieces: readonly string[] }) =>
      `${name} is packed, but you haven’t noted making ${sayList(pieces)}. If it really is packed, note the batches so your stock is right.`,
  ),
  'order-box-empty': kind(
    'stop',
    'order',
    ['order of an empty box', 'orders of empty boxes'],
    ['promise', 'order'],
    (name, { box }: { box: string | null }) =>
      box === null
        ? `${name} ordered a box that is not there any more.`
        : `${name} ordered ${box}, which has no pieces.`,
  ),
  'box-changed-since': kind(
    'know',
    'order',
    ['box changed since it was sold', 'boxes changed since they were sold'],
    [],
    (name, { box }: { box: string }) =>
      `${name} bought ${box} as it was; it has been changed since, and the order keeps what it was sold.`,
  ),
  'maybe-double': kind(
    'decide',
    'order',
    ['order that may be a double', 'orders that may be doubles'],
    [],
    (name, { other, day }: { other: string; day: Day }) =>
      `${name} and ${other} have the same boxes for ${sayDay(day)}: are they one order, entered twice?`,
  ),
  'too-late': kind(
    'decide',
    'order',
    ['date that cannot be kept', 'dates that cannot be kept'],
    ['order', 'hand-over'],
    (name, { day, missing, first }: { day: Day; missing: readonly string[]; first: Day | undefined }) =>
      `${name} cannot be made in time for ${sayDay(day)}: no bench day is left for ${missing.length > 3 ? `${String(missing.length)} of its kinds of piece` : sayList(missing)}.${first ? ` ${sayDay(first)} is the first day that could be.` : ''} It is left out of the plan.`,
  ),

  'closed-day': kind(
    'decide',
    'order',
    ['hand-over on a closed day', 'hand-overs on closed days'],
    ['order', 'hand-over'],
    (name, { day, reason }: { day: Day; reason: string }) =>
      `${name} is to be handed over on ${sayDay(day)}, when the kitchen is closed${reason ? `: ${reason}` : ''}.`,
  ),

  'day-over': kind(
    'decide',
    'day',
    ['day over its hours', 'days over their hours'],
    [],
    (name, { bookedMinutes, benchMinutes }: { bookedMinutes: number; benchMinutes: number }) =>
      benchMinutes === 0
        ? `${name} is no bench day, but ${sayMinutes(bookedMinutes)} of work fall on it.`
        : `${name} is ${sayMinutes(bookedMinutes - benchMinutes)} over its ${sayMinutes(benchMinutes)}.`,
  ),
  'moulds-short': kind(
    'decide',
    'day',
    ['day short of moulds', 'days short of moulds'],
    ['programme'],
    (name, { pieces, wanted, there }: { pieces: readonly string[]; wanted: number; there: number }) =>
      `${sayList(pieces)}: ${sayCount(wanted, 'mould')} would be needed at once on ${name}, and there ${isOrAre(there)}.`,
  ),
  'pans-short': kind(
    'decide',
    'day',
    ['night short of pans', 'nights short of pans'],
    ['programme'],
    (name, { pan, wanted, there }: { pan: string; wanted: number; there: number }) =>
      `${pan}: ${String(wanted)} would be full in the night after ${name}, and there ${isOrAre(there)}.`,
  ),

  'cold-short': kind(
    'decide',
    'day',
    ['night without room in the cold', 'nights without room in the cold'],
    ['programme'],
    (name, { place, takenLitres, litres }: { place: string; takenLitres: number; litres: number }) =>
      `${sayNumber(takenLitres, 1)} L would stand in ${place} in the night after ${name}, and there are ${sayNumber(litres, 1)} L.`,
  ),
  'no-bench-days': kind(
    'know',
    'kitchen',
    ['kitchen without bench days', 'kitchens without bench days'],
    [],
    () => 'No bench days are set: anything may fall on any day, and no day has an end.',
  ),
  'no-day-left': kind(
    'decide',
    'kitchen',
    ['season without a bench day left', 'seasons without a bench day left'],
    [],
    () => 'No bench day is left before the last hand-over.',
  ),
  'beyond-capacity': kind(
    'decide',
    'kitchen',
    ['season beyond its hours', 'seasons beyond their hours'],
    [],
    (_name, { bookedMinutes, benchMinutes }: { bookedMinutes: number; benchMinutes: number }) =>
      `The orders take ${sayMinutes(bookedMinutes)}, and all bench days together have ${sayMinutes(benchMinutes)}.`,
  ),
  'clock-set-back': kind(
    'decide',
    'kitchen',
    ['clock set back', 'clocks set back'],
    [],
    (_name, { today, latest }: { today: Day; latest: Day }) =>
      `By this computer’s clock it is ${sayDay(today)}, but something was written down on ${sayDay(latest)}. Look at the clock: every day of the plan rests on it.`,
  ),
  'label-no-address': kind(
    'stop',
    'kitchen',
    ['label without an address', 'labels without an address'],
    ['label'],
    () => 'The label needs your address.',
  ),
  'label-no-statement': kind(
    'decide',
    'kitchen',
    ['label without a home-kitchen statement', 'labels without a home-kitchen statement'],
    [],
    () => 'Most places want a home-kitchen statement on the label: check your local code.',
  ),
  'label-statement-unchecked': kind(
    'decide',
    'kitchen',
    ['statement to check', 'statements to check'],
    [],
    () =>
      'The home-kitchen statement is a placeholder: check your local code, write what it asks for, and tick it off.',
  ),
  'label-lacks': kind(
    'stop',
    'box',
    ['label that lacks what it must say', 'labels that lack what they must say'],
    ['label'],
    (name, { what }: { what: readonly string[] }) =>
      `The label of ${name} lacks what the rules that it follows ask for. ${what.join(' ')}`,
  ),
  'label-words-changed': kind(
    'decide',
    'box',
    ['printed label that says something else now', 'printed labels that say something else now'],
    [],
    (name, { count, on }: { count: number; on: Day }) =>
      `${sayCount(count, 'label')} of ${name}, printed on ${sayDay(on)}, would say something else now: look whether they are on boxes already.`,
  ),
  'label-too-small': kind(
    'stop',
    'kitchen',
    ['label too small', 'labels too small'],
    ['label'],
    (_name, { heightMm }: { heightMm: number }) =>
      `The text does not fit at the least letter height: at this width the label must be ${sayLength(heightMm)} high.`,
  ),
  'disk-full': kind(
    'stop',
    'kitchen',
    ['full disk', 'full disks'],
    [],
    (_name, { left }: { left: string }) =>
      `The disk is full: ${left} are left. Nothing more is stored until there is room.`,
  ),
  'disk-low': kind(
    'decide',
    'kitchen',
    ['nearly full disk', 'nearly full disks'],
    [],
    (_name, { left, least }: { left: string; least: string }) =>
      `The disk is nearly full: ${left} are left. At ${least} nothing more is stored.`,
  ),
  'no-backup': kind(
    'decide',
    'kitchen',
    ['copy that could not be taken', 'copies that could not be taken'],
    [],
    (_name, { trouble }: { trouble: string }) =>
      `The copy of the day could not be taken: ${trouble} What is stored is whole. Look at the disk.`,
  ),
  'backup-old': kind(
    'know',
    'kitchen',
    ['old copy', 'old copies'],
    [],
    (_name, { daysOld }: { daysOld: number }) => `The newest copy of everything is ${String(daysOld)} days old.`,
  ),
} as const;

/** A batch that rises higher than any pot that the maker owns. */
interface TooSmall {
  readonly batch: string;
  readonly needsLitres: number;
  readonly pot: string;
  readonly potLitres: number;
  /** So many times the base batch goes into it. */
  readonly multiple: number;
}

function tooSmall(name: string, { batch, needsLitres, pot, potLitres, multiple }: TooSmall): string {
  return `${name}: ${batch} rises to ${sayNumber(needsLitres, 1)} L and does not fit ${pot} of ${sayNumber(potLitres, 1)} L. Make at most ${sayNumber(multiple, 2)} times in it, or use a larger pot.`;
}

export type FindingCode = keyof typeof catalogue;
export type FactsOf<Code extends FindingCode> = Parameters<(typeof catalogue)[Code]['say']>[1];
export type AboutOf<Code extends FindingCode> = (typeof catalogue)[Code]['about'];

/** The codes of all findings. */
export const findingCodes = Object.keys(catalogue) as [FindingCode, ...FindingCode[]];

/** Whether a finding of a kind stands in the way of something. */
export const blocks = ({ code }: { readonly code: FindingCode }, what: Block): boolean =>
  catalogue[code].blocks.includes(what);
