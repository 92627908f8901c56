import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector, useStore } from 'react-redux';
import { noticeReducer } from './notices';
import { api, onTurnedAway, seen } from './api';
import { doorChanged } from './door';
import { writingReducer } from './writing';
import { apiAt } from '../parts/kitchenAt';

export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, notice: noticeReducer, writing: writingReducer },
  middleware: (defaults) => defaults().concat(api.middleware),
  // What an answer changes is drawn at once, not a frame later.
  enhancers: (defaults) => defaults({ autoBatch: { type: 'tick' } }),
});
setupListeners(store.dispatch);
onTurnedAway(() => {
  store.dispatch(doorChanged());
});

export type RootState = ReturnType<typeof store.getState>;
export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppStore = useStore.withTypes<typeof store>();

/** Long enough for the answer to a write of this page to arrive, so that it is not taken for somebody else's. */
const OWN_WRITE_MS = 500;

/** Asks for every figure again when another page or device has stored something. */
export function followChanges(): void {
  const changes = new EventSource(apiAt('/changes'));
  let newest = 0;
  changes.addEventListener('message', ({ data }: MessageEvent<string>) => {
    newest = (JSON.parse(data) as { revision: number }).revision;
    setTimeout(() => {
      // A lower revision means that the server was started again.
      if (seen.revision === 0 || newest === seen.revision) return;
      seen.revision = newest;
      store.dispatch(api.util.invalidateTags(['Book', 'Orders', 'Order']));
    }, OWN_WRITE_MS);
  });
}
