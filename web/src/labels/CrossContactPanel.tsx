import Box from '@mui/material/Box';
import type { SetLabel } from '@usual-pantry/core/api';
import { allergens } from '@usual-pantry/core/ingredient';
import { sayDay } from '@usual-pantry/core/quantity';
import { groupBy } from 'es-toolkit';
import { Panel } from '../parts/Panel';

/** What the kitchen itself may bring into the box on the days on which it is made and packed. An advice beside the declaration. */
export function CrossContactPanel({ label }: { label: SetLabel }) {
  if (!label.run) return null;
  const ways = Object.entries(groupBy(label.crossContact, ({ allergen }) => allergen));
  return (
    <Panel title="From your own kitchen">
      {ways.length === 0 ? (
        <Box>
          By the plan nothing else comes near it: what has other allergens is made behind a clean-down. A shared kitchen
          can still never promise “free from”.
        </Box>
      ) : (
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {ways.map(([code, each]) => (
            <li key={code}>
              <strong>{allergens[code as keyof typeof allergens].name}</strong>:{' '}
              {[
                ...new Set(
                  each.map(
                    ({ from, into, day, where }) =>
                      `${from}, ${where === 'packing' ? 'packed beside' : 'made beside'} ${into} on ${sayDay(day)}`,
                  ),
                ),
              ]
                .slice(0, 3)
                .join('; ')}
              {each.length > 3 ? `; and ${String(each.length - 3)} more` : ''}
            </li>
          ))}
        </Box>
      )}
      <Box sx={{ typography: 'note', color: 'text.secondary', mt: 1 }}>
        It stands on the label as what it may contain, beside what suppliers say, and takes nothing off what it
        contains.
      </Box>
    </Panel>
  );
}
