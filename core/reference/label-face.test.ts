// Source: the OS/2 table of the font file that the PDF embeds, read with fontkit, a general font library.
import { expect, it } from '@jest/globals';
import { createRequire } from 'node:module';
import { TEXT_FACE } from '../src/label/index.js';

interface Font {
  readonly unitsPerEm: number;
  readonly xHeight: number;
  readonly capHeight: number;
}
const require = createRequire(import.meta.url);
const { openSync } = require('fontkit') as { openSync: (path: string) => Font };

it('the heights of the label face are those of its font file', () => {
  const font = openSync(
    require.resolve('@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
  );
  expect(TEXT_FACE.xHeight).toBeCloseTo(font.xHeight / font.unitsPerEm, 3);
  expect(TEXT_FACE.capHeight).toBeCloseTo(font.capHeight / font.unitsPerEm, 3);
});
