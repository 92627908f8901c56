import type { EntityManager } from 'typeorm';

/** Which columns hold a version: those that are called so, and those that say of which version something else is. */
async function versionColumns(manager: EntityManager): Promise<readonly { table: string; column: string }[]> {
  return manager.query(
    `SELECT tables.name AS "table", columns.name AS "column"
     FROM sqlite_master tables JOIN pragma_table_info(tables.name) columns
     WHERE tables.type = 'table' AND (columns.name = 'version' OR columns.name LIKE '%Version') AND columns.type = 'INTEGER'
     ORDER BY 1, 2`,
  );
}

/** The highest version of anything that was ever deleted: what comes after begins above it. Triggers keep it, see the migration. */
export async function versionFloor(manager: EntityManager): Promise<number> {
  const rows: { version: number }[] = await manager.query('SELECT version FROM version_floor');
  return rows[0]?.version ?? 0;
}

/** The highest version that anything has, or ever had. */
export async function highestVersion(manager: EntityManager): Promise<number> {
  const all = (await versionColumns(manager)).map(
    ({ table, column }) => `SELECT max("${column}") AS version FROM "${table}"`,
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
  for (const { table, column } of await versionColumns(manager))
    await manager.query(`UPDATE "${table}" SET "${column}" = "${column}" + ?`, [by]);
}
