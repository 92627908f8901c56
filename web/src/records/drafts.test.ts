import { beforeEach, expect, it } from '@jest/globals';
import { dropDraft, keepDraft, takeDraft } from './drafts';

/** A store like the browser's that can be full. */
class Store {
  private readonly items = new Map<string, string>();
  full = false;
  getItem(key: string): string | null {
    return this.items.get(key) ?? null;
  }
  setItem(key: string, value: string): void {
    if (this.full) throw new DOMException('full', 'QuotaExceededError');
    this.items.set(key, value);
  }
  removeItem(key: string): void {
    this.items.delete(key);
  }
}

let store: Store;
beforeEach(() => {
  store = new Store();
  Object.defineProperty(globalThis, 'sessionStorage', { value: store, configurable: true });
});

it('keeps typing with the version that it started from, until it is dropped', () => {
  expect(takeDraft('order 1')).toBeNull();
  keepDraft('order 1', { version: 4, values: { notes: 'Ring twice' } });
  expect(takeDraft('order 1')).toEqual({ version: 4, values: { notes: 'Ring twice' } });
  expect(takeDraft('order 2')).toBeNull();
  dropDraft('order 1');
  expect(takeDraft('order 1')).toBeNull();
});

it('goes on when there is no room to keep anything', () => {
  store.full = true;
  expect(() => {
    keepDraft('order 1', { version: 1, values: {} });
  }).not.toThrow();
});
