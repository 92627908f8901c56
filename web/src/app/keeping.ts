import { api } from './api';

/** Somebody who is let in. */
export interface Visitor {
  readonly role: 'maker' | 'helper';
  readonly name: string;
}

export interface DoorAnswer {
  readonly isLocked: boolean;
  readonly hasPassphrase: boolean;
  readonly visitor: Visitor | null;
}

export interface Device extends Visitor {
  readonly id: string;
  readonly via: 'passphrase' | 'code';
  readonly since: string;
  readonly seen: string;
  readonly isThis: boolean;
}

export interface AuditLine {
  readonly at: string;
  readonly what: string;
  readonly by: string;
  readonly about: string;
}

/** A code to let a device in, with a picture of each address to scan. */
export interface PairingCode {
  readonly code: string;
  readonly until: string;
  readonly addresses: readonly { readonly url: string; readonly picture: string }[];
}

export interface Backup {
  readonly name: string;
  readonly kind: 'daily' | 'before-migration' | 'before-import' | 'before-restore' | 'on-demand';
  readonly on: string;
  readonly bytes: number;
}

/** Whether a database is whole, and what it holds. */
export interface DatabaseHealth {
  readonly troubles: readonly string[];
  readonly counts: Readonly<Record<string, number>>;
}

/** What the pages ask of the door and of the backups. */
const keeping = api.enhanceEndpoints({ addTagTypes: ['Door', 'Backups'] }).injectEndpoints({
  endpoints: (build) => ({
    door: build.query<DoorAnswer, void>({ query: () => 'door', providesTags: ['Door'] }),
    devices: build.query<{ devices: Device[]; audit: AuditLine[] }, void>({
      query: () => 'door/devices',
      providesTags: ['Door'],
    }),
    signIn: build.mutation<null, { passphrase: string; name: string }>({
      query: (body) => ({ url: 'door/sign-in', method: 'POST', body }),
    }),
    pair: build.mutation<null, string>({
      query: (code) => ({ url: 'door/pair', method: 'POST', body: { code } }),
    }),
    signOut: build.mutation<null, void>({ query: () => ({ url: 'door/sign-out', method: 'POST' }) }),
    setPassphrase: build.mutation<null, { passphrase: string; old: string | null }>({
      query: (body) => ({ url: 'door/passphrase', method: 'PUT', body }),
      invalidatesTags: (_result, error) => (error ? [] : ['Door']),
    }),
    removeDevice: build.mutation<null, string>({
      query: (id) => ({ url: `door/devices/${encodeURIComponent(id)}`, method: 'DELETE' }),
      invalidatesTags: ['Door'],
    }),
    makeCode: build.mutation<PairingCode, { role: Visitor['role']; name: string }>({
      query: (body) => ({ url: 'door/codes', method: 'POST', body }),
    }),
    backups: build.query<Backup[], void>({ query: () => 'backups', providesTags: ['Backups'] }),
    takeBackup: build.mutation<Backup, void>({
      query: () => ({ url: 'backups', method: 'POST' }),
      invalidatesTags: ['Backups'],
    }),
    checkDatabase: build.mutation<DatabaseHealth, string | null>({
      query: (name) => ({
        url: name === null ? 'backups/check' : `backups/${encodeURIComponent(name)}/check`,
        method: 'POST',
      }),
    }),
    restoreBackup: build.mutation<{ before: Backup }, string>({
      query: (name) => ({ url: `backups/${encodeURIComponent(name)}/restore`, method: 'POST' }),
      invalidatesTags: (_result, error) => (error ? ['Backups'] : ['Backups', 'Book', 'Orders', 'Order']),
    }),
    makeInboxKey: build.mutation<{ key: string }, void>({
      query: () => ({ url: 'inbox/key', method: 'POST' }),
      invalidatesTags: ['Orders'],
    }),
    diagnostics: build.query<unknown, void>({ query: () => 'diagnostics', keepUnusedDataFor: 0 }),
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
  useBackupsQuery,
  useTakeBackupMutation,
  useCheckDatabaseMutation,
  useRestoreBackupMutation,
  useMakeInboxKeyMutation,
  useLazyDiagnosticsQuery,
} = keeping;

/** Asks anew who this is. */
export const doorChanged = () => keeping.util.invalidateTags(['Door']);

/** Whether whoever looks is a helper, who sees what is to be done and changes nothing. */
export const useIsHelper = (): boolean => useDoorQuery().data?.visitor?.role === 'helper';
