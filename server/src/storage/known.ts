import type { Known } from '@usual-pantry/core/record';
import type { EntityManager } from 'typeorm';

const tables = { ingredient: 'ingredient', recipe: 'recipe', piece: 'piece', box: 'box' } as const;

/**
 * Which records are stored.
 * @param also an id that counts as stored although it may be just being written
 */
export async function knownIn(manager: EntityManager, also?: string): Promise<Known> {
  const ids = new Map<string, Set<string>>();
  for (const [noun, table] of Object.entries(tables)) {
    const rows: { id: string }[] = await manager.query(`SELECT id FROM ${table}`);
    ids.set(noun, new Set(rows.map((row) => row.id)));
  }
  return (noun, id) => id === also || ids.get(noun)?.has(id) === true;
}
