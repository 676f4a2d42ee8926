export { call, isUnreachable, Refused, sayUnsent, sentenceOf, whenSignedOut } from './client';
export { forgetReads } from './keepReads';
export { kv } from './kv';
export { newId } from './newId';
export { PersonContext, usePerson, useSigns } from './person';
export { readKept } from './readKept';
export { readKey, useChange, useRead, useReadPages } from './queries';
export { queryClient, QueryProvider } from './QueryProvider';
export { serverTime } from './serverTime';
