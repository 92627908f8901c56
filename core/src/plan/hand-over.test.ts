import { readFileSync } from 'node:fs';
import { expect, it } from '@jest/globals';
import fc from 'fast-check';
import { openBook } from '../book/index.js';
import { brokenBy, exclusionCodes } from '../ingredient/index.js';
import { boxFor } from '../order/index.js';
import { seasonFileSchema } from '../season-file/index.js';
import { handOverOf } from './season-days.js';

const demo = seasonFileSchema.parse(JSON.parse(readFileSync('demo/season.json', 'utf8')));
const book = openBook(demo);

it('carries every exclusion to whoever hands over, and says of each whether it is broken, agreed or not', () => {
  const codes = fc.uniqueArray(fc.constantFrom(...exclusionCodes), { maxLength: 4 });
  fc.assert(
    fc.property(fc.constantFrom(...demo.orders), codes, fc.boolean(), (order, exclusions, isAgreed) => {
      const agreed = isAgreed
        ? order.lines.flatMap(({ boxId }) => exclusions.map((exclusion) => ({ boxId, exclusion })))
        : [];
      const wished = { ...order, exclusions, agreed, leftOut: [], standIns: [] };
      const { contents } = handOverOf(book, wished);
      contents.forEach(({ ruledOut, breaches }, index) => {
        const line = wished.lines[index];
        if (!line) throw new Error('no line');
        expect(ruledOut).toEqual(expect.arrayContaining([...exclusions, ...line.without]));
        const facts = boxFor(wished, line, book)?.facts;
        const broken = facts ? ruledOut.filter((code) => brokenBy(code, facts).length > 0) : [];
        expect(breaches.map(({ exclusion }) => exclusion)).toEqual(broken);
        for (const breach of breaches) expect(breach.agreed).toBe(isAgreed && exclusions.includes(breach.exclusion));
      });
    }),
  );
});
