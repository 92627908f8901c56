import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api, seen } from './api';
import { historyReducer } from './history';

export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, history: historyReducer },
  middleware: (defaults) => defaults().concat(api.middleware),
});
setupListeners(store.dispatch);

export type RootState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();

/** Asks for every figure again when another page or device has stored something. */
export function followChanges(): void {
  const changes = new EventSource('/api/changes');
  changes.addEventListener('message', ({ data }: MessageEvent<string>) => {
    const { revision } = JSON.parse(data) as { revision: number };
    if (seen.revision > 0 && revision !== seen.revision) {
      // A lower revision means that the server was started again.
      seen.revision = revision;
      store.dispatch(api.util.invalidateTags(['Season']));
    }
  });
}
