import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { countFindings, type FindingCounts } from '@usual-pantry/core/api';
import {
  catalogue,
  sayCause,
  severities,
  type Finding,
  type FindingCode,
  type Noun,
  type Severity,
} from '@usual-pantry/core/finding';
import { sumBy } from 'es-toolkit/math';
import { useId, useState, type ReactNode } from 'react';
import { useFindingsQuery, usePlanQuery } from '../data/plan';
import { CauseList } from './CauseList';
import { SeverityCount } from './severities';
import type { WaysOutProps } from './WaysOut';

/** So many causes are named in the line. */
const MOST_CAUSES = 3;

/** What the gravest of them are: as many causes as a line has room for. */
function sayCauses({ codes }: FindingCounts): string {
  const counted = Object.entries(codes) as [FindingCode, number][];
  const gravest = severities.find((severity) => counted.some(([code]) => catalogue[code].severity === severity));
  const causes = counted.filter(([code]) => catalogue[code].severity === gravest).sort(([, a], [, b]) => b - a);
  const named = causes.slice(0, MOST_CAUSES).map(([code, count]) => sayCause(code, count));
  return [...named, ...(causes.length > MOST_CAUSES ? ['…'] : [])].join(', ');
}

interface LineProps {
  readonly counts: FindingCounts;
  readonly isOpen: boolean;
  readonly onToggle: () => void;
  /** The list, while it is open. */
  readonly children: ReactNode;
}

/** One quiet line: how many findings of which severity, and what the gravest are. It opens into their list. */
function FindingsLine({ counts, isOpen, onToggle, children }: LineProps) {
  const list = useId();
  const there = severities.filter((severity) => counts[severity] > 0);
  if (there.length === 0) return null;
  return (
    <Box component="section" aria-label="Findings" sx={{ mb: 1.5, displayPrint: 'none' }}>
      <Box sx={{ display: 'flex', columnGap: 1.5, alignItems: 'baseline', flexWrap: 'wrap' }}>
        {there.map((severity) => (
          <SeverityCount key={severity} severity={severity} count={counts[severity]} />
        ))}
        <Box component="span" sx={{ color: 'text.secondary', display: { xs: 'none', sm: 'inline' } }}>
          {sayCauses(counts)}
        </Box>
        <Button size="small" aria-expanded={isOpen} aria-controls={list} onClick={onToggle}>
          {isOpen ? 'Close' : 'Open'}
        </Button>
      </Box>
      <div id={list}>{children}</div>
    </Box>
  );
}

interface FindingsProps extends Pick<WaysOutProps, 'onOrder'> {
  readonly findings: readonly Finding[];
}

/** Findings as one line that opens; only what is a stop stands open. */
export function Findings({ findings, onOrder }: FindingsProps) {
  const [isOpen, setOpen] = useState(false);
  const shown = isOpen ? findings : findings.filter(({ severity }) => severity === 'stop');
  return (
    <FindingsLine
      counts={countFindings(findings)}
      isOpen={isOpen}
      onToggle={() => {
        setOpen(!isOpen);
      }}
    >
      {shown.length > 0 && <CauseList findings={shown} onOrder={onOrder} />}
    </FindingsLine>
  );
}

/** The findings of one record, open: they are what it was opened for. */
export function RecordFindings({ findings, onOrder }: FindingsProps) {
  if (findings.length === 0) return null;
  return (
    <Box component="section" aria-label="Findings" sx={{ mb: 2, displayPrint: 'none' }}>
      <CauseList findings={findings} onOrder={onOrder} />
    </Box>
  );
}

/** So many stops stand open by themselves. */
const STANDING = 2;
/** So many findings are asked for when the list is opened; more when they are wanted, and no more than that. */
const PART = 100;
const MOST = 500;

/** Those of the counts that are about some nouns. */
function countsAbout({ codes }: FindingCounts, about: readonly Noun[]): FindingCounts {
  const own = (Object.entries(codes) as [FindingCode, number][]).filter(([code]) =>
    about.includes(catalogue[code].about),
  );
  const of = (wanted: Severity) => sumBy(own, ([code, count]) => (catalogue[code].severity === wanted ? count : 0));
  return { stop: of('stop'), decide: of('decide'), know: of('know'), codes: Object.fromEntries(own) };
}

/** The findings of the plan as one line; only a stop stands open. @param about what they are about; everything without */
export function PlanFindings({ about }: { about?: readonly Noun[] }) {
  const [shown, setShown] = useState(0);
  const { data: plan } = usePlanQuery();
  const counts = plan && (about ? countsAbout(plan.findings, about) : plan.findings);
  const wanted = Math.max(shown, Math.min(counts?.stop ?? 0, STANDING));
  const { data } = useFindingsQuery({ size: wanted, ...(about ? { about } : {}) }, { skip: wanted === 0 });
  if (!counts) return null;
  const items = wanted === 0 ? [] : (data?.items ?? []);
  const total = data?.total ?? 0;
  return (
    <FindingsLine
      counts={counts}
      isOpen={shown > 0}
      onToggle={() => {
        setShown(shown > 0 ? 0 : PART);
      }}
    >
      {items.length > 0 && <CauseList findings={items} />}
      {shown > 0 && total > items.length && items.length < MOST && (
        <Button
          size="small"
          sx={{ mt: 1 }}
          onClick={() => {
            setShown(shown + PART);
          }}
        >
          Show more of {total}
        </Button>
      )}
      {items.length >= MOST && total > MOST && `${String(total - MOST)} more stand at their records.`}
    </FindingsLine>
  );
}
