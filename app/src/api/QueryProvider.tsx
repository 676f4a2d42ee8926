import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { useEffect } from 'react';
import { Refused } from './client';
import { forgetOldReads, keepRead } from './keepReads';

const DAY = 86_400_000;

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      gcTime: DAY,
      staleTime: 10_000,
      // Without a connection a read that is kept nowhere fails, and says so: else it would be waited for until there is one.
      networkMode: 'always',
      refetchOnReconnect: true,
      persister: keepRead,
      retry: (count, error) => !(error instanceof Refused) && count < 2,
      retryDelay: (attempt) => 400 * 2 ** attempt,
    },
    mutations: { networkMode: 'always' },
  },
});

/** After what the first page needs. */
const TIDY_AFTER_MS = 20_000;

export function QueryProvider({ children }: { readonly children: React.ReactNode }) {
  useEffect(() => {
    const tidy = setTimeout(() => void forgetOldReads(), TIDY_AFTER_MS);
    return () => clearTimeout(tidy);
  }, []);
  return <QueryClientProvider client={queryClient}>{children}</QueryClientProvider>;
}
