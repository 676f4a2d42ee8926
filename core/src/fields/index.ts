export type { Frozen } from './frozen';
export * from './fields';
export * from './machine';
export * from './roles';
export { seenLength } from './visible';
