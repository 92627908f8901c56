import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import { sayDay } from '@usual-pantry/core/quantity';
import { Link as RouterLink, useParams } from 'react-router';
import { useLotQuery } from '../data/labels';
import { AnswerLine } from '../parts/AnswerLine';
import { Panel } from '../parts/Panel';
import { Tape } from '../parts/Tape';
import { Title } from '../parts/Title';
import { Waiting } from '../parts/Waiting';

/** What is in the boxes of a lot: where the code of a label leads. */
export function LotPage() {
  const { lot = '' } = useParams();
  const { data, error, refetch } = useLotQuery(lot);
  if (!data) return <Waiting error={error} again={refetch} />;
  return (
    <Box sx={{ maxWidth: 720 }}>
      <Title of={`Lot ${data.lot}`} />
      <AnswerLine>
        {data.boxName}, made from {sayDay(data.madeOn)}, best before {sayDay(data.bestBefore)}.
      </AnswerLine>
      <Box sx={{ mb: 2 }}>
        <Tape to={null} name={data.boxName} code={data.lot} />
      </Box>
      <Panel
        title="What is in it"
        aside={
          <Link component={RouterLink} to={`/boxes/${data.boxId}`}>
            Open the box
          </Link>
        }
      >
        <p>
          <strong>Contains</strong> {data.contains.join(', ') || 'nothing of the list'}.
          {data.mayContain.length > 0 && ` May contain ${data.mayContain.join(', ')}.`}
        </p>
        <Box component="ul" sx={{ pl: 2.5, m: 0 }}>
          {data.pieces.map(({ name, count, contains }) => (
            <li key={name}>
              {count} × {name}: {contains.join(', ') || 'nothing of the list'}
            </li>
          ))}
        </Box>
      </Panel>
    </Box>
  );
}
