import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { differenceOf, fieldsOf, takeBack, turned, type Fields } from './difference.js';

const record = fc.dictionary(fc.constantFrom('name', 'lines', 'rest', 'notes'), fc.jsonValue()) as fc.Arbitrary<Fields>;
const some = fc.option(record, { nil: null });

describe('a change that is taken back', () => {
  it('leaves what stood before, and done again what stood after', () => {
    fc.assert(
      fc.property(some, some, (before, after) => {
        const difference = differenceOf(before, after);
        if (!difference) {
          expect(after).toEqual(before);
          return;
        }
        expect(takeBack(difference, after)).toEqual({ kind: 'stands', record: before });
        expect(takeBack(turned(difference), before)).toEqual({ kind: 'stands', record: after });
      }),
    );
  });

  it('keeps later edits of other fields, and is refused exactly where one touched the same', () => {
    fc.assert(
      fc.property(record, record, record, (first, second, third) => {
        const [mine, later] = [differenceOf(first, second), differenceOf(second, third)];
        if (!mine || !later) return;
        const shared = (fieldsOf(mine) ?? []).filter((field) => fieldsOf(later)?.includes(field));
        const back = takeBack(mine, third);
        if (shared.length > 0) {
          expect(back).toEqual({ kind: 'in the way', fields: expect.arrayContaining(shared) });
          return;
        }
        const kept = differenceOf(first, back.kind === 'stands' ? back.record : null);
        expect(kept).toEqual(differenceOf(first, { ...first, ...kept?.after }));
        expect(new Set(fieldsOf(kept ?? { before: {}, after: {} }))).toEqual(new Set(fieldsOf(later)));
      }),
    );
  });

  it('of a record that was added deletes it, unless it was edited since', () => {
    const added = { before: null, after: { name: 'Toffee', rest: 1 } };
    expect(takeBack(added, { name: 'Toffee', rest: 1 })).toEqual({ kind: 'stands', record: null });
    expect(takeBack(added, { name: 'Toffee', rest: 2 })).toEqual({ kind: 'in the way', fields: ['rest'] });
    expect(takeBack(added, null)).toEqual({ kind: 'in the way', fields: [] });
  });

  it('of a record that was deleted brings it back, unless there is one again', () => {
    const deleted = { before: { name: 'Toffee' }, after: null };
    expect(takeBack(deleted, null)).toEqual({ kind: 'stands', record: { name: 'Toffee' } });
    expect(takeBack(deleted, { name: 'Toffee' })).toEqual({ kind: 'in the way', fields: [] });
  });

  it('does not mind what a record works out itself', () => {
    const edit = differenceOf({ name: 'A', edition: 1 }, { name: 'B', edition: 2 }, ['edition']);
    expect(edit).toEqual({ before: { name: 'A' }, after: { name: 'B' } });
    expect(differenceOf({ edition: 1 }, { edition: 2 }, ['edition'])).toBeNull();
    const added = { before: null, after: { name: 'B', edition: 1 } };
    expect(takeBack(added, { name: 'B', edition: 3 }, ['edition'])).toEqual({ kind: 'stands', record: null });
  });
});
