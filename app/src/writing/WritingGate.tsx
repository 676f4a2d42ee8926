import { Fragment } from 'react';
import { useRead } from '@/api';
import { Loading } from '@/design';
import { writeAs } from './writing';

const FRESH_MS = 300_000;

/**
 * Has all below it write as the yard does. Where that is not as it was written before, everything is shown anew: nothing is shown before it is known,
 * or asked for in vain, as what was tapped meanwhile would be lost.
 */
export function WritingGate({ children }: { readonly children: React.ReactNode }) {
  const { data, failureCount, errorUpdateCount } = useRead('settings', { staleTime: FRESH_MS });
  // Asked again, its failures are counted from nought: what was shown once stays.
  if (data === undefined && failureCount + errorUpdateCount === 0) return <Loading what="your yard" />;
  return <Fragment key={writeAs(data)}>{children}</Fragment>;
}
