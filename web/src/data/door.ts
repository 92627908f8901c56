import type { DevicesAnswer, DoorAnswer, MakeCode, PairingCode, SetPassphrase, SignIn } from '@usual-pantry/core/api';
import { api } from './api';
/** Who may come in, and with what. */
const doorApi = api.injectEndpoints({
  endpoints: (build) => ({
    door: build.query<DoorAnswer, void>({ query: () => 'door', providesTags: ['Door'] }),
    devices: build.query<DevicesAnswer, void>({
      query: () => 'door/devices',
      providesTags: ['Door'],
    }),
    signIn: build.mutation<null, SignIn>({
      query: (body) => ({ url: 'door/sign-in', method: 'POST', body }),
    }),
    pair: build.mutation<null, string>({
      query: (code) => ({ url: 'door/pair', method: 'POST', body: { code } }),
    }),
    signOut: build.mutation<null, void>({ query: () => ({ url: 'door/sign-out', method: 'POST' }) }),
    setPassphrase: build.mutation<null, SetPassphrase>({
      query: (body) => ({ url: 'door/passphrase', method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Door']),
    }),
    removeDevice: build.mutation<null, string>({
      query: (id) => ({ url: `door/devices/${encodeURIComponent(id)}`, method: 'DELETE' }),
      invalidatesTags: ['Door'],
    }),
    makeCode: build.mutation<PairingCode, MakeCode>({
      query: (body) => ({ url: 'door/codes', method: 'POST', body }),
    }),
  }),
});

export const {
  useDoorQuery,
  useDevicesQuery,
  useSignInMutation,
  usePairMutation,
  useSignOutMutation,
  useSetPassphraseMutation,
  useRemoveDeviceMutation,
  useMakeCodeMutation,
} = doorApi;

/** Asks anew who this is. */
export const doorChanged = () => doorApi.util.invalidateTags(['Door']);

/** Whether whoever looks is a helper, who sees what is to be done and changes nothing. */
export const useIsHelper = (): boolean => useDoorQuery().data?.visitor?.role === 'helper';
