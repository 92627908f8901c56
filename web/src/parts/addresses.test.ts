import { describe, expect, it } from '@jest/globals';
import { AS_IT_IS } from '@usual-pantry/core/order';
import { addressOf, labelAddress, packedQuery, readPacked } from './addresses';

describe('the address of a label', () => {
  it('says nothing of a box as it is', () => {
    expect(labelAddress('night', null, AS_IT_IS)).toBe('/labels/night');
    expect(labelAddress('night', '2026-12-05', AS_IT_IS)).toBe('/labels/night?handOver=2026-12-05');
  });

  it('is read back as it was written', () => {
    for (const packed of [
      AS_IT_IS,
      { edition: 3, without: [], leaveOut: false, school: 'eu' as const, standIns: [] },
      {
        edition: null,
        without: ['nuts', 'ingredient:plum-brandy'],
        leaveOut: true,
        school: null,
        standIns: [
          { pieceId: 'praline', withId: 'malted' },
          { pieceId: 'a', withId: 'b' },
        ],
      },
    ])
      expect(readPacked(new URLSearchParams(packedQuery(packed)))).toEqual(packed);
    expect(readPacked(new URLSearchParams('edition=many'))).toEqual(AS_IT_IS);
  });

  it('of a subject is its own screen', () => {
    expect(addressOf({ noun: 'order', id: 'o1' })).toBe('/orders/o1');
    expect(addressOf({ noun: 'day', id: '2026-12-05' })).toBe('/?day=2026-12-05');
    expect(addressOf({ noun: 'kitchen', id: 'kitchen' })).toBe('/settings');
  });
});
