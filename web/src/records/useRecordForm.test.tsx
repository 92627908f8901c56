import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { ingredientDraftSchema, ingredientSchema, type Ingredient } from '@usual-pantry/core/ingredient';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { createContext, useContext, type ReactNode } from 'react';
import { Provider } from 'react-redux';
import { createMemoryRouter } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { store } from '../data/store';
import { useRecordForm } from './useRecordForm';

const sugar = (version: number, name = 'Sugar'): Ingredient =>
  ingredientSchema.parse({ id: 'sugar', version, name, declaration: { labelName: 'sugar' } });

type Answer = { readonly status: number; readonly body: unknown };
let answer: () => Answer;
let sent: unknown[];
const realFetch = globalThis.fetch;
const RealRequest = globalThis.Request;

beforeEach(() => {
  sessionStorage.clear();
  sent = [];
  globalThis.Request = class extends RealRequest {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === 'string' ? `http://kitchen${input}` : input, init);
    }
  };
  globalThis.fetch = async (input) => {
    sent.push(await (input as Request).json());
    const { status, body } = answer();
    return new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
  };
});
afterEach(() => {
  cleanup();
  globalThis.fetch = realFetch;
  globalThis.Request = RealRequest;
});

const Shown = createContext<ReactNode>(null);
/** What is rendered, as the one page of a router. */
function Page() {
  return useContext(Shown);
}

const open = (record: Ingredient | null) => {
  const router = createMemoryRouter([{ path: '*', element: <Page /> }]);
  return renderHook(
    () => {
      const opened = useRecordForm<'ingredient'>({
        noun: 'ingredient',
        schema: ingredientDraftSchema,
        record,
        fresh: ingredientDraftSchema.parse({ name: 'New', declaration: { labelName: 'new' } }),
        addressOf: ({ id }) => `/ingredients/${id}`,
      });
      // A form tells only of what is looked at.
      void opened.form.formState.errors;
      return opened;
    },
    {
      wrapper: ({ children }: { children: ReactNode }) => (
        <Shown.Provider value={<Provider store={store}>{children}</Provider>}>
          <RouterProvider router={router} />
        </Shown.Provider>
      ),
    },
  );
};
const type = async (opened: ReturnType<typeof open>, name: string) => {
  await act(async () => {
    opened.result.current.form.setValue('name', name, { shouldDirty: true });
    await Promise.resolve();
  });
};

describe('a form of a record', () => {
  it('keeps what was typed when the page is left, and brings it back', async () => {
    const first = open(sugar(1));
    await type(first, 'Fine sugar');
    first.unmount();
    const second = open(sugar(1));
    await waitFor(() => {
      expect(second.result.current.form.getValues('name')).toBe('Fine sugar');
    });
    expect(second.result.current.restored).toBe(true);
    act(() => {
      second.result.current.discard();
    });
    second.unmount();
    expect(open(sugar(1)).result.current.restored).toBe(false);
  });

  it('is stored with the version that it was opened at, and forgets the typing then', async () => {
    answer = () => ({ status: 200, body: sugar(2, 'Fine sugar') });
    const opened = open(sugar(1));
    await type(opened, 'Fine sugar');
    await act(() => opened.result.current.save());
    expect(sent).toMatchObject([{ name: 'Fine sugar', version: 1 }]);
    expect(opened.result.current.trouble).toBeNull();
    opened.unmount();
    expect(open(sugar(2, 'Fine sugar')).result.current.restored).toBe(false);
  });

  it('shows whose edit stands in the way when it is stale, and loses neither', async () => {
    const detail = 'This ingredient was changed elsewhere.';
    answer = () => ({ status: 409, body: { code: 'stale', detail, current: sugar(5, 'Caster sugar') } });
    const opened = open(sugar(1));
    await type(opened, 'Fine sugar');
    await act(() => opened.result.current.save());
    expect(opened.result.current.theirs?.name).toBe('Caster sugar');
    expect(opened.result.current.form.getValues('name')).toBe('Fine sugar');
    answer = () => ({ status: 200, body: sugar(6, 'Fine sugar') });
    await act(() => opened.result.current.keepMine());
    expect(sent.at(-1)).toMatchObject({ name: 'Fine sugar', version: 5 });
    expect(opened.result.current.theirs).toBeNull();
  });

  it('says a refused value at its field, and the rest above', async () => {
    const wrong = [
      { path: 'name', message: 'is there already' },
      { path: 'elsewhere', message: 'is wrong' },
    ];
    answer = () => ({ status: 422, body: { code: 'wrong-values', detail: 'Some values cannot be right.', wrong } });
    const opened = open(sugar(1));
    await type(opened, 'Salt');
    await act(() => opened.result.current.save());
    expect(opened.result.current.form.formState.errors['name']?.message).toBe('is there already');
    expect(opened.result.current.trouble).toBe('Some values cannot be right. elsewhere: is wrong.');
  });
});
