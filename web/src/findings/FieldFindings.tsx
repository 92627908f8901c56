import Box from '@mui/material/Box';
import type { Finding, FindingCode } from '@usual-pantry/core/finding';
import { groupBy } from 'es-toolkit/array';
import { useMemo, type ReactNode } from 'react';
import { FieldNotes } from '../parts/fieldNotes';
import { RecordFindings } from './Findings';
import { SeverityMark } from './severities';

/** At which field of its record a finding is put right. */
const fieldOf: Partial<Record<FindingCode, string>> = {
  'allergen-undeclared': 'contains',
  'substance-undeclared': 'contains',
  'kind-missing': 'contains',
  'coating-called-chocolate': 'declaration.labelName',
  'pack-unweighed': 'packs',
  'ingredient-unpriced': 'packs',
  'cannot-buy': 'packs',
  'buy-late': 'packs',
  'stock-spoils': 'lots',
  'recipe-empty': 'lines',
  'line-unknown': 'lines',
  'line-unweighed': 'lines',
  'composition-missing': 'lines',
  'recipe-cycle': 'lines',
  'yield-above-raw': 'yield.grams',
  'rests-too-long': 'restDays',
  'no-pot': 'foaming',
  'pot-too-small': 'foaming',
  'piece-incomplete': 'form',
  'cavity-not-filled': 'form',
  'pan-too-shallow': 'form',
  'life-beyond-layers': 'keepsDays',
  'life-beyond-estimate': 'keepsDays',
  'life-beyond-raw-egg': 'keepsDays',
  'box-called-chocolate': 'foodName',
  'label-no-panel': 'panel.widthMm',
};

/** What can be done about it elsewhere stands with it; to open the record is no way out on the record itself. */
const isPlaced = ({ code, waysOut }: Finding): boolean =>
  fieldOf[code] !== undefined && waysOut.every(({ action }) => action.kind === 'open');

const sayAtField = (findings: readonly Finding[]): ReactNode =>
  findings.map(({ key, severity, message }) => (
    <Box key={key} component="span" sx={{ display: 'flex', gap: 0.5, alignItems: 'start', color: 'text.primary' }}>
      <SeverityMark severity={severity} />
      <span>{message}</span>
    </Box>
  ));

/** The findings of a record, each at the field where it is put right; what belongs to no field stands above. */
export function FieldFindings({ findings, children }: { findings: readonly Finding[]; children: ReactNode }) {
  const placed = findings.filter(isPlaced);
  // The fields are drawn again only when what is said at them has changed.
  const key = JSON.stringify(placed);
  const notes = useMemo(() => {
    const byField = groupBy(JSON.parse(key) as Finding[], ({ code }) => fieldOf[code] ?? '');
    return new Map(Object.entries(byField).map(([field, those]) => [field, sayAtField(those)]));
  }, [key]);
  return (
    <FieldNotes value={notes}>
      <RecordFindings findings={findings.filter((each) => !isPlaced(each))} />
      {children}
    </FieldNotes>
  );
}
