import type { AtOnceId, OperationId } from '@hudrik/core/contracts';
import {
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
  type InfiniteData,
  type QueryKey,
} from '@tanstack/react-query';
import { useContext, useRef } from 'react';
import { call, isUnreachable, type CallOptions, type Reply } from './client';
import { newId } from './newId';
import { PersonContext } from './person';
import { useIsAway } from './reach';

type Query = Readonly<Record<string, string | number | undefined>>;

/** The key of what a call reads: the call itself. */
export const readKey = (id: OperationId, params: object = {}, query: object = {}) => [id, params, query] as const;

interface ReadOptions {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Query;
  readonly enabled?: boolean;
  readonly refetchInterval?: number | false;
  readonly staleTime?: number;
}

/** Reads by the contract's name. */
export function useRead<Id extends OperationId>(id: Id, options: ReadOptions = {}) {
  const { params, query, enabled = true, refetchInterval, staleTime } = options;
  return useQuery<Reply<Id>>({
    queryKey: readKey(id, params, query),
    queryFn: () => call(id, { ...(params ? { params } : {}), ...(query ? { query } : {}) }),
    enabled,
    ...(staleTime === undefined ? {} : { staleTime }),
    ...(refetchInterval ? { refetchInterval } : {}),
  });
}

/** Reads page after page of something that ends with the cursor of the next. */
export function useReadPages<Id extends 'history' | 'units'>(
  id: Id,
  { params = {}, query = {} }: Pick<ReadOptions, 'params' | 'query'> = {},
) {
  return useInfiniteQuery<Reply<Id>, Error, InfiniteData<Reply<Id>, string | null>, QueryKey, string | null>({
    queryKey: [...readKey(id, params, query), 'pages'],
    queryFn: ({ pageParam }) => call(id, { params, query: { ...query, cursor: pageParam ?? undefined } }),
    // Null and not undefined: what is kept on the device is JSON, which has no undefined.
    initialPageParam: null,
    getNextPageParam: (last) => (last as Reply<'history' | 'units'>).next,
  });
}

/** What holds the page while it is asked: it is answered at once, or not at all. */
export const AT_ONCE_KEY = ['at-once'] as const;

/** Nobody's own change: whoever leaves meanwhile loses nothing. */
const HOLDS_NOTHING: ReadonlySet<AtOnceId> = new Set([
  ...(['planAnew', 'stopSearch', 'askQuote', 'readDeskNow', 'readEquipmentNow'] as const),
]);

/**
 * Asks for a change that is answered at once, then reads anew whatever is on the screen. Without a connection it says so before; until it is
 * answered, the page is held. Asked for again after no answer came, it is the same change: made once.
 */
export function useAsk<Id extends AtOnceId>(id: Id) {
  const client = useQueryClient();
  const person = useContext(PersonContext);
  const isAway = useIsAway();
  const unanswered = useRef<{ readonly asked: string; readonly key: string } | null>(null);
  const asking = useMutation<Reply<Id>, Error, CallOptions<Id>>({
    ...(HOLDS_NOTHING.has(id) ? {} : { mutationKey: AT_ONCE_KEY }),
    mutationFn: async (options) => {
      const asked = JSON.stringify([options.params, options.query, options.body, options.raw?.content]);
      const key = unanswered.current?.asked === asked ? unanswered.current.key : newId();
      unanswered.current = { asked, key };
      try {
        const reply = await call(id, { key, ...(person ? { as: person.id } : {}), ...options });
        unanswered.current = null;
        return reply;
      } catch (error) {
        if (!isUnreachable(error)) unanswered.current = null;
        throw error;
      }
    },
    onSettled: () => client.invalidateQueries(),
  });
  return { ...asking, offBecause: isAway ? 'This needs a connection to the yard’s server.' : null };
}
