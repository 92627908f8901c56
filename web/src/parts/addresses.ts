import type { Subject } from '@usual-pantry/core/finding';
import { schoolCodes } from '@usual-pantry/core/kitchen';
import type { PackedAs } from '@usual-pantry/core/order';

const places: Record<Subject['noun'], (id: string) => string> = {
  ingredient: (id) => `/pantry/${id}`,
  recipe: (id) => `/recipes/${id}`,
  piece: (id) => `/pieces/${id}`,
  box: (id) => `/boxes/${id}`,
  order: (id) => `/orders/${id}`,
  kitchen: () => '/settings',
  day: (id) => `/?day=${id}`,
};

/** Where a record is shown. */
export const addressOf = ({ noun, id }: Pick<Subject, 'noun' | 'id'>): string => places[noun](id);

/** How a box is packed, as it stands in an address; the box as it is says nothing. */
export const packedQuery = ({ edition, without, leaveOut, school, standIns }: PackedAs): Record<string, string> => ({
  ...(edition === null ? {} : { edition: String(edition) }),
  ...(without.length > 0 ? { without: without.join() } : {}),
  ...(leaveOut ? { leaveOut: 'true' } : {}),
  ...(school === null ? {} : { school }),
  ...(standIns.length > 0 ? { standIns: standIns.map(({ pieceId, withId }) => `${pieceId}.${withId}`).join() } : {}),
});

/** How a box is packed, from an address. */
export const readPacked = (search: URLSearchParams): PackedAs => ({
  edition: Number(search.get('edition')) || null,
  without: (search.get('without') ?? '').split(',').filter(Boolean),
  leaveOut: search.get('leaveOut') === 'true',
  school: schoolCodes.find((code) => code === search.get('school')) ?? null,
  standIns: (search.get('standIns') ?? '')
    .split(',')
    .filter(Boolean)
    .map((pair) => {
      const [pieceId = '', withId = ''] = pair.split('.');
      return { pieceId, withId };
    }),
});

/** Where the label of a box is shown: for a hand-over, packed in some way. */
export const labelAddress = (boxId: string, handOver: string | null, packed: PackedAs): string => {
  const query = new URLSearchParams({ ...(handOver ? { handOver } : {}), ...packedQuery(packed) }).toString();
  return `/labels/${boxId}${query ? `?${query}` : ''}`;
};
