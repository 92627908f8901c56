import Box from '@mui/material/Box';
import Link from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import Markdown from 'markdown-to-jsx/react';
import type { ComponentProps } from 'react';
import { Link as RouterLink } from 'react-router';
import { AnswerLine } from '../parts/AnswerLine';
import { Title } from '../parts/Title';
import text from '../../../docs/manual.md?raw';
import { tasksOf } from './tasks';

const pictures = import.meta.glob<string>('../../../docs/screenshots/*.png', {
  query: '?url',
  import: 'default',
  eager: true,
});

const pictureAt = (path: string): string | undefined => pictures[`../../../docs/${path}`];

/** A picture is loaded when it comes into sight. */
const Picture = ({ src = '', alt = '' }: ComponentProps<'img'>) => (
  <Box
    component="img"
    src={pictureAt(src)}
    alt={alt}
    loading="lazy"
    sx={{ display: 'block', width: '100%', maxWidth: 760, height: 'auto', border: 1, borderColor: 'divider', my: 1 }}
  />
);

/** What the documents link to beside them is a page of the program, or stands in the folder of documents only. */
function Elsewhere({ href = '', children }: ComponentProps<'a'>) {
  if (href.startsWith('words.md'))
    return (
      <Link component={RouterLink} to="/words">
        {children}
      </Link>
    );
  return (
    <span>
      {children} (docs/{href})
    </span>
  );
}

/** The manual by task, as it stands in docs/manual.md. */
export function Manual() {
  const tasks = tasksOf(text);
  return (
    <>
      <Title of="Manual" />
      <AnswerLine>{tasks.length} tasks, in the order in which a season brings them.</AnswerLine>
      <Box component="nav" aria-label="Tasks" sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, mb: 2 }}>
        {tasks.map(({ title, place }) => (
          <Link key={place} href={`#${place}`} sx={{ py: 0.5 }}>
            {title}
          </Link>
        ))}
      </Box>
      {tasks.map(({ title, place, body }) => (
        <Box component="section" key={place} aria-labelledby={place} sx={{ mb: 4, maxWidth: 760 }}>
          <Typography variant="h2" id={place} tabIndex={-1} sx={{ scrollMarginTop: 16, mb: 1 }}>
            {title}
          </Typography>
          <Markdown options={{ overrides: { img: Picture, a: Elsewhere }, forceBlock: true }}>{body}</Markdown>
        </Box>
      ))}
    </>
  );
}
