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
