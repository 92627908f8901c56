import { openWayOut, severities, type Severity, type Subject, type WayOut } from './way-out.js';
import { catalogue, type AboutOf, type FactsOf, type FindingCode } from './catalogue.js';

/** Something that the maker must know. Core returns findings beside results; it never throws them. */
export interface Finding {
  readonly code: FindingCode;
  /** Tells it from all others that stand at the same time; the same finding of two plans has the same key. */
  readonly key: string;
  readonly severity: Severity;
  readonly about: Subject;
  readonly message: string;
  readonly waysOut: readonly WayOut[];
  /** By how much it is so, in its own unit; 1 where there is no more and no less. Of two findings with the same key the larger is the worse. */
  readonly amount: number;
}

/** What a finding may have beside its facts. */
interface More {
  /** Without these its one way out is to open what it is about. */
  readonly waysOut?: readonly WayOut[];
  /** Tells several findings of one code about one subject apart: a line, a day. */
  readonly part?: string;
  readonly amount?: number;
}

/**
 * A finding of a kind in the catalogue.
 * @param facts what its sentence is made of
 * @example finding('box-gaps', { noun: 'box', id: 'b', name: 'Sampler' }, { cells: 2 }).message // 'Sampler has 2 empty cells.'
 */
export function finding<Code extends FindingCode>(
  code: Code,
  about: Subject<AboutOf<Code>>,
  facts: FactsOf<Code>,
  { waysOut = [openWayOut(about)], part = '', amount = 1 }: More = {},
): Finding {
  const { severity } = catalogue[code];
  const say = catalogue[code].say as (name: string, facts: FactsOf<Code>) => string;
  const key = [code, about.noun, about.id, part].filter(Boolean).join(' ');
  return { code, key, severity, about, message: say(about.name, facts), waysOut, amount };
}

/** The same findings, the gravest first; those of one severity keep their order. */
export const gravestFirst = (findings: readonly Finding[]): Finding[] =>
  severities.flatMap((severity) => findings.filter((each) => each.severity === severity));
