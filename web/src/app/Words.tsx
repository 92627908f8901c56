import Box from '@mui/material/Box';
import { terms } from '@usual-pantry/core/help';
import { AnswerLine } from '../parts/AnswerLine';
import { Panel } from '../parts/Panel';
import { Title } from '../parts/Title';

/** The words of the trade and of the program, each in one plain sentence. */
export const Words = () => (
  <>
    <Title of="Words" />
    <AnswerLine>{terms.length} words, in one plain sentence each.</AnswerLine>
    <Panel title="Words">
      <Box component="dl" sx={{ m: 0, display: 'grid', gap: 1, gridTemplateColumns: { md: '220px 1fr' } }}>
        {terms.map(({ word, says }) => (
          <Box key={word} sx={{ display: 'contents' }}>
            <Box component="dt" sx={{ fontWeight: 650 }}>
              {word}
            </Box>
            <Box component="dd" sx={{ m: 0, mb: { xs: 1, md: 0 }, maxWidth: '80ch' }}>
              {says}
            </Box>
          </Box>
        ))}
      </Box>
    </Panel>
  </>
);
