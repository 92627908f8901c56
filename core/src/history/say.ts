import { sayCount } from '../quantity/index.js';
import type { Difference } from './difference.js';

/** What a change did to one record, and what that is called. */
export interface RecordChange extends Difference {
  readonly noun: string;
  readonly id: string;
  readonly name: string;
}

const verbOf = ({ before, after }: Difference): string =>
  before === null ? 'added' : after === null ? 'deleted' : 'saved';

const many: Readonly<Record<string, string>> = { batch: 'batches', box: 'boxes' };

/**
 * A change in words, where nobody has said what it was.
 * @param records at least one
 * @example sayChange([{ noun: 'box', id: 'b', name: 'Sampler', before: null, after: {} }]) // 'Sampler added.'
 */
export function sayChange(records: readonly RecordChange[]): string {
  const [first] = records;
  if (!first) return 'Nothing changed.';
  const verbs = new Set(records.map(verbOf));
  const verb = verbs.size === 1 ? verbOf(first) : 'changed';
  if (records.length === 1) return `${first.name} ${verb}.`;
  const noun = records.every((each) => each.noun === first.noun) ? first.noun : 'record';
  return `${sayCount(records.length, noun, many[noun])} ${verb}.`;
}
