import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import { QueryClient } from '@tanstack/react-query';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { Refused } from './client';
import { kv } from './kv';

const DAY = 86_400_000;

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      gcTime: DAY,
      staleTime: 10_000,
      networkMode: 'offlineFirst',
      retry: (count, error) => !(error instanceof Refused) && count < 2,
      retryDelay: (attempt) => 400 * 2 ** attempt,
    },
    mutations: { networkMode: 'always' },
  },
});
const persister = createAsyncStoragePersister({ storage: kv, key: 'hudrik-reads', throttleTime: 1000 });

/** Reads are kept on the device: without a connection the last ones show. */
export function QueryProvider({ children }: { readonly children: React.ReactNode }) {
  return (
    <PersistQueryClientProvider client={queryClient} persistOptions={{ persister, maxAge: 7 * DAY, buster: '1' }}>
      {children}
    </PersistQueryClientProvider>
  );
}
