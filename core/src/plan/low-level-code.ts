import type { Book } from '../book/index.js';

/** Recipe ids so that every recipe comes after all that needs it: users before components, bodies before what goes onto them. */
export function byLowLevelCode(book: Book): string[] {
  const needs = new Map<string, Set<string>>([...book.recipes.keys()].map((id) => [id, new Set<string>()]));
  for (const [id, { recipe }] of book.recipes)
    for (const { uses } of recipe.lines) if (uses.kind === 'recipe') needs.get(id)?.add(uses.id);
  const bodies = new Set<string>();
  for (const { parts } of book.pieces.values()) {
    const body = parts.find(({ role }) => role === 'body')?.recipeId;
    if (body === undefined) continue;
    bodies.add(body);
    for (const { recipeId } of parts) if (recipeId !== body) needs.get(body)?.add(recipeId);
  }
  const order: string[] = [];
  const state = new Map<string, 'open' | 'done'>();
  const visit = (id: string) => {
    if (state.has(id)) return;
    state.set(id, 'open');
    for (const next of needs.get(id) ?? []) visit(next);
    state.set(id, 'done');
    order.push(id);
  };
  for (const id of book.componentsFirst) visit(id);
  return order.reverse();
}
