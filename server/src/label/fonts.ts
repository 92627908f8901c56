import { createRequire } from 'node:module';
import type { LabelFace } from '@usual-pantry/core/label';

const find = createRequire(import.meta.url).resolve;

/** The faces of a label as files: pdfkit embeds TTF whole. */
export const labelFonts: Readonly<Record<LabelFace, string>> = {
  text: find('@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
  bold: find('@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'),
  heading: find('@expo-google-fonts/bricolage-grotesque/700Bold/BricolageGrotesque_700Bold.ttf'),
};
