import type { EntityManager } from 'typeorm';

/** Tables whose rows carry a version that a page has to name to change them. */
export const versioned = [
  'kitchen',
  'ingredient',
  'recipe',
  'piece',
  'box',
  'customer_order',
  'batch',
  'season_plan',
] as const;

/** The highest version of anything that was ever deleted: what comes after begins above it. Triggers keep it, see the migration. */
export async function versionFloor(manager: EntityManager): Promise<number> {
  const rows: { version: number }[] = await manager.query('SELECT version FROM version_floor');
  return rows[0]?.version ?? 0;
}

/** The highest version that anything has, or ever had. */
export async function highestVersion(manager: EntityManager): Promise<number> {
  const all = ['version_floor', ...versioned, 'recipe_version'].map(
    (table) => `SELECT max(version) AS version FROM ${table}`,
  );
  const rows: { version: number | null }[] = await manager.query(all.join(' UNION ALL '));
  return Math.max(0, ...rows.map(({ version }) => version ?? 0));
}

/**
 * Lifts every version above those that pages may show, after the database itself was put back to what it was earlier.
 * @param shown the highest version before
 */
export async function liftVersions(manager: EntityManager, shown: number): Promise<void> {
  // By at least as much as any is high, so that no two meet while one after another is lifted.
  const by = Math.max(shown, await highestVersion(manager));
  for (const table of ['version_floor', ...versioned, 'recipe_version'])
    await manager.query(`UPDATE ${table} SET version = version + ?`, [by]);
  await manager.query('UPDATE inbox_message SET orderVersion = orderVersion + ?', [by]);
}
