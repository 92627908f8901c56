import { groupBy, orderBy } from 'es-toolkit/array';
import { isEqual } from 'es-toolkit/predicate';
import { sayCount } from '../quantity/index.js';
import { catalogue, type FindingCode } from './catalogue.js';
import type { Finding } from './finding.js';
import { severities, type Severity, type WayOut } from './way-out.js';

/** Findings of one code: one thing to understand, however often it is there. */
export interface Cause {
  readonly code: FindingCode;
  readonly severity: Severity;
  /** Of each, only the ways out that are its own. */
  readonly findings: readonly Finding[];
  /** Ways out that decide all of them at once. */
  readonly waysOut: readonly WayOut[];
}

/** How many there are of a kind, in words. @example sayCause('exclusion-broken', 3) // '3 exclusions broken' */
export const sayCause = (code: FindingCode, count: number): string => sayCount(count, ...catalogue[code].called);

const has = (waysOut: readonly WayOut[], way: WayOut): boolean => waysOut.some((each) => isEqual(each, way));

/**
 * Findings by cause: the gravest cause first, of one severity the most frequent first.
 * A way out that every finding of a cause has is the cause's, not theirs.
 */
export function byCause(findings: readonly Finding[]): Cause[] {
  const groups = Object.entries(groupBy(findings, ({ code }) => code)) as [FindingCode, Finding[]][];
  const causes = groups.map(([code, group]) => {
    const shared = group[0]?.waysOut.filter((way) => group.every(({ waysOut }) => has(waysOut, way))) ?? [];
    const waysOut = group.length === 1 ? [] : shared;
    return {
      code,
      severity: catalogue[code].severity,
      findings: group.map((each) => ({ ...each, waysOut: each.waysOut.filter((way) => !has(waysOut, way)) })),
      waysOut,
    };
  });
  return orderBy(
    causes,
    [({ severity }) => severities.indexOf(severity), ({ findings: { length } }) => -length],
    ['asc', 'asc'],
  );
}
