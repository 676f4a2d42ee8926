export { closeOutbox, outbox } from './current';
export { dropDraftPhoto, keepDraftPhoto } from './draftPhotos';
export { isBy, isEntry, type EntryItem, type Item, type On } from './item';
export type { Trouble } from './Outbox';
export { entryOf, photoHere, useAddEntry, useChange, useEntry, usePending, useWaiting, withPending } from './useOutbox';
