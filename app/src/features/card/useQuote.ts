import type { Quote } from '@hudrik/core/contracts';
import { useState } from 'react';
import { useAsk, useRead } from '@/api';

const LOOK_AGAIN_MS = 1500;

export interface QuoteHandle {
  readonly quote: Quote | null;
  /** The supplier was asked and has not answered. */
  readonly isAsking: boolean;
  readonly error: Error | null;
  readonly ask: (number: string) => void;
  readonly clear: () => void;
}

const isOpen = (quote: Quote | undefined): boolean =>
  quote !== undefined &&
  quote.askedAt !== null &&
  (quote.answeredAt === null || Date.parse(quote.answeredAt) < Date.parse(quote.askedAt));

/** What the supplier says of a number: asked in the background, and looked at until it has answered. */
export function useQuote(): QuoteHandle {
  const [number, setNumber] = useState<string | null>(null);
  const ask = useAsk('askQuote');
  const read = useRead('quotePart', {
    params: { number: number ?? '' },
    enabled: number !== null && ask.isSuccess,
    staleTime: 0,
    refetchInterval: LOOK_AGAIN_MS,
  });
  const quote = number === null ? undefined : read.data;
  const isAsking = number !== null && !ask.isError && !read.isError && (quote === undefined || isOpen(quote));
  return {
    quote: isAsking ? null : (quote ?? null),
    isAsking,
    error: number === null ? null : (ask.error ?? read.error),
    ask: (wanted) => {
      setNumber(wanted);
      ask.mutate({ params: { number: wanted } });
    },
    clear: () => setNumber(null),
  };
}
