export { call, isUnreachable, Refused, sentenceOf, Unreachable, whenSignedOut } from './client';
export { kv } from './kv';
export { deliverPhoto, post, takeBack, tryAll, useOutbox, type Letter } from './outbox';
export { dropPhoto, keepPhoto, readPhoto } from './photoStore';
export { useChange, useRead } from './queries';
export { queryClient, QueryProvider } from './QueryProvider';
export { newId } from './newId';
