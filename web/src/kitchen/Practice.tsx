import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { drillKinds, type DrillKind } from '@usual-pantry/core/practice';
import { sayNumber } from '@usual-pantry/core/quantity';
import { Link as RouterLink, useParams } from 'react-router';
import { usePracticesQuery } from '../data/makings';
import { Panel } from '../parts/Panel';
import { Title } from '../parts/Title';
import { BigButton } from './BigButton';
import { CookPractice } from './CookPractice';
import { Drill } from './Drill';

const drills: Readonly<Record<DrillKind, { readonly name: string; readonly what: string; readonly at: string }>> = {
  cook: { name: 'Cook a batch', what: 'the pot, with whatever may go wrong', at: 'cook' },
  'pull now': { name: 'Take it off now', what: 'the last degrees, without a forecast', at: 'pull' },
  'cold water': { name: 'Cold water', what: 'which stage a drop shows', at: 'water' },
  tempering: { name: 'Tempering', what: 'what to do at this temperature', at: 'tempering' },
  'split ganache': { name: 'Split ganache', what: 'what brings it back', at: 'ganache' },
  'seized chocolate': { name: 'Seized chocolate', what: 'what it can still become', at: 'chocolate' },
};
const kindAt = (at: string | undefined): DrillKind | null => drillKinds.find((kind) => drills[kind].at === at) ?? null;

/** How one did in a drill, so that one sees oneself improve: the last runs, the newest at the right. */
function Scores({ kind }: { kind: DrillKind }) {
  const { data = [] } = usePracticesQuery();
  const own = data.filter(({ drill }) => drill === kind).slice(0, 12);
  if (own.length === 0) return <Box sx={{ color: 'text.secondary' }}>not tried yet</Box>;
  const best = Math.max(...own.map(({ score }) => score));
  const mean = own.reduce((sum, { score }) => sum + score, 0) / own.length;
  return (
    <Box sx={{ display: 'grid', gap: 0.5 }}>
      <Box aria-hidden sx={{ display: 'flex', alignItems: 'flex-end', gap: '3px', height: 36 }}>
        {own.toReversed().map(({ id, score }) => (
          <Box
            key={id}
            sx={{
              width: 10,
              height: `${String(Math.max(4, score))}%`,
              bgcolor: score >= 80 ? 'success.main' : 'hot.main',
            }}
          />
        ))}
      </Box>
      <span>
        best {best}, on average {sayNumber(mean, 0)} of 100 in the last {own.length}; last time {own[0]?.score}
      </span>
    </Box>
  );
}

/** All that can be practised, with how one did. */
function Choice() {
  return (
    <Box component="main" sx={{ p: { xs: 1.25, md: 3 }, display: 'grid', gap: 2, fontSize: 20 }}>
      <Typography variant="h1">Practice: nothing of it touches stock, plan or log.</Typography>
      <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 320px), 1fr))' }}>
        {drillKinds.map((kind) => (
          <Panel key={kind} title={drills[kind].name}>
            <Box sx={{ display: 'grid', gap: 1.25 }}>
              <span>{drills[kind].what}</span>
              <Scores kind={kind} />
              <BigButton component={RouterLink} to={`/kitchen/practice/${drills[kind].at}`} variant="contained">
                {drills[kind].name}
              </BigButton>
            </Box>
          </Panel>
        ))}
      </Box>
      <Link component={RouterLink} to="/kitchen">
        To the bench
      </Link>
    </Box>
  );
}

/** Practice: a simulated pot, and drills. */
export function Practice() {
  const { drill } = useParams();
  const kind = kindAt(drill);
  return (
    <>
      <Title of="Practice" />
      {kind === null ? (
        <Choice />
      ) : kind === 'cook' || kind === 'pull now' ? (
        <CookPractice key={kind} kind={kind} />
      ) : (
        <Drill key={kind} kind={kind} name={drills[kind].name} />
      )}
    </>
  );
}
