import type { Known } from '@usual-pantry/core/record';
import type { EntityManager } from 'typeorm';

/**
 * Which records are stored.
 * @param nouns those that can be asked for; each is the name of its table
 * @param also a record that counts as stored although it may be just being written: one that has its id in another noun does not
 */
export async function knownIn(
  manager: EntityManager,
  nouns: readonly Parameters<Known>[0][],
  also?: { readonly noun: Parameters<Known>[0]; readonly id: string },
): Promise<Known> {
  const ids = new Map<string, ReadonlySet<string>>();
  for (const noun of nouns) {
    const rows: { id: string }[] = await manager.query(`SELECT id FROM ${noun}`);
    ids.set(noun, new Set(rows.map((row) => row.id)));
  }
  return (noun, id) => {
    const stored = ids.get(noun);
    if (!stored) throw new Error(`Nobody looked which ${noun} records are stored.`);
    return (noun === also?.noun && id === also.id) || stored.has(id);
  };
}
