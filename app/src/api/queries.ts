import type { OperationId } from '@hudrik/core/contracts';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { call, type CallOptions, type Reply } from './client';

type Query = Readonly<Record<string, string | number | undefined>>;

/** Reads by the contract's name; the key is the call itself. */
export function useRead<Id extends OperationId>(
  id: Id,
  options: {
    params?: Readonly<Record<string, string>>;
    query?: Query;
    enabled?: boolean;
    refetchInterval?: number;
    staleTime?: number;
  } = {},
) {
  const { params, query, enabled = true, refetchInterval, staleTime } = options;
  return useQuery<Reply<Id>>({
    queryKey: [id, params ?? {}, query ?? {}],
    queryFn: () => call(id, { ...(params ? { params } : {}), ...(query ? { query } : {}) }),
    enabled,
    ...(staleTime === undefined ? {} : { staleTime }),
    ...(refetchInterval ? { refetchInterval } : {}),
  });
}

/** Changes something, then reads anew whatever is on the screen. */
export function useChange<Id extends OperationId>(id: Id) {
  const client = useQueryClient();
  return useMutation<Reply<Id>, Error, CallOptions<Id>>({
    mutationFn: (options) => call(id, options),
    onSettled: () => client.invalidateQueries(),
  });
}
