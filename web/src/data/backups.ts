import type { Backup, DatabaseHealth } from '@usual-pantry/core/api';
import { api, EVERYTHING } from './api';
/** Copies of the whole database, and how the program is doing. */
const backupApi = api.injectEndpoints({
  endpoints: (build) => ({
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
      invalidatesTags: (_result, error) => (error ? ['Backups'] : ['Backups', ...EVERYTHING]),
    }),
    diagnostics: build.query<unknown, void>({ query: () => 'diagnostics', keepUnusedDataFor: 0 }),
  }),
});

export const {
  useBackupsQuery,
  useTakeBackupMutation,
  useCheckDatabaseMutation,
  useRestoreBackupMutation,
  useLazyDiagnosticsQuery,
} = backupApi;
