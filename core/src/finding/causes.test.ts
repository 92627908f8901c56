import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { byCause, catalogue, finding, findingCodes, sayCause, severities, type Finding, type WayOut } from './index.js';

const about = (name: string) => ({ noun: 'ingredient', id: name, name }) as const;
const all: WayOut = { label: 'Give prices', action: { kind: 'give-prices' } };
const unpriced = (name: string): Finding => {
  const found = finding('ingredient-unpriced', about(name), {});
  return { ...found, waysOut: [all, ...found.waysOut] };
};

describe('findings by cause', () => {
  it('says once what eight ingredients lack, with the way out that serves all of them', () => {
    const names = ['butter', 'sugar', 'cream', 'salt', 'cocoa', 'honey', 'malt', 'milk'];
    const [cause, ...others] = byCause(names.map(unpriced));
    expect(others).toEqual([]);
    expect(sayCause('ingredient-unpriced', cause?.findings.length ?? 0)).toBe('8 ingredients without a price');
    expect(cause?.waysOut).toEqual([all]);
    expect(cause?.findings.map(({ waysOut }) => waysOut.map(({ label }) => label))).toEqual(
      names.map((name) => [`Open ${name}`]),
    );
  });

  it('leaves one alone with all its ways out', () => {
    const [cause] = byCause([unpriced('butter')]);
    expect(cause?.waysOut).toEqual([]);
    expect(cause?.findings[0]?.waysOut).toHaveLength(2);
  });

  it('loses and adds nothing, and puts the gravest cause first, then the most frequent', () => {
    const code = fc.constantFrom(...findingCodes);
    fc.assert(
      fc.property(fc.array(code), (codes) => {
        const findings = codes.map((each, index): Finding => {
          const key = `${each} ${String(index)}`;
          return {
            code: each,
            key,
            severity: catalogue[each].severity,
            about: about('x'),
            message: key,
            waysOut: [all],
            amount: 1,
          };
        });
        const causes = byCause(findings);
        expect(new Set(causes.map((each) => each.code)).size).toBe(causes.length);
        expect(causes.flatMap((each) => each.findings.map(({ key }) => key)).sort()).toEqual(
          findings.map(({ key }) => key).sort(),
        );
        const ranks = causes.map((each) => severities.indexOf(each.severity) * 1e6 - each.findings.length);
        expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
      }),
    );
  });

  it('has a word for one and for several of every kind', () => {
    for (const code of findingCodes) expect(sayCause(code, 1)).not.toBe(sayCause(code, 2).replace('2', '1'));
  });
});
