import { Fragment } from 'react';
import { useRead } from '@/api';
import { writeAs } from './writing';

const FRESH_MS = 300_000;

/** Has all below it write as the yard does. Where that is not as it was written before, everything is shown anew. */
export function WritingGate({ children }: { readonly children: React.ReactNode }) {
  const { data } = useRead('settings', { staleTime: FRESH_MS });
  return <Fragment key={writeAs(data)}>{children}</Fragment>;
}
