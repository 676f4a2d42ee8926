import type { InferType } from 'yup';
import { boolean, object, string } from '../fields';

/** What three taps said of a unit when it was put down on the yard, before anybody walked round it. */
export const atGate = object({
  runs: string().oneOf(['yes', 'no', 'not-tried']).required(),
  leaks: boolean().required(),
  complete: boolean().required(),
}).noUnknown();
export type AtGate = Readonly<InferType<typeof atGate>>;

/** What was amiss, in words; nothing where all was well as far as it was tried. */
export const sayAtGate = ({ runs, leaks, complete }: AtGate): string[] => [
  ...(runs === 'no' ? ['does not run'] : []),
  ...(leaks ? ['leaks'] : []),
  ...(complete ? [] : ['something is missing']),
];
