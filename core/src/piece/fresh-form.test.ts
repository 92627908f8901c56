import { expect, it } from '@jest/globals';
import { cutGrid, formSchema } from './index.js';
import { freshForm } from './forms/index.js';

it.each(['cut', 'broken', 'rolled', 'piped', 'portion'] as const)(
  'a new %s piece can be saved as it starts',
  (kind) => {
    expect(formSchema.safeParse(freshForm(kind, 'fudge')).success).toBe(true);
  },
);

it('a new dipped piece lacks only its coating', () => {
  const form = freshForm('dipped', 'ganache');
  expect(formSchema.safeParse(form).error?.issues.map((issue) => issue.path.join('.'))).toEqual(['coatingRecipeId']);
  expect(formSchema.safeParse({ ...form, coatingRecipeId: 'dark' }).success).toBe(true);
});

it('a new cut piece starts from a nine-inch pan of whole pieces', () => {
  const form = freshForm('cut', 'fudge');
  if (form.kind !== 'cut') throw new Error('must be cut');
  expect(cutGrid(form)).toMatchObject({ along: 8, across: 8, count: 64 });
});
