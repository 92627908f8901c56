import type { Subject } from '@usual-pantry/core/finding';

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

/** Where the label of a box is shown: for a hand-over, packed without something. */
export const labelAddress = (boxId: string, handOver: string | null, without: readonly string[]): string => {
  const query = new URLSearchParams({
    ...(handOver ? { handOver } : {}),
    ...(without.length > 0 ? { without: without.join() } : {}),
  }).toString();
  return `/labels/${boxId}${query ? `?${query}` : ''}`;
};
