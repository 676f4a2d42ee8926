import type { InferType } from 'yup';
import { COMPLAINTS } from '../catalogue';
import type { Frozen } from '../fields/frozen';
import { array, boolean, object, string } from '../fields';

/** Told at the gate, and not said what leaks. */
const LEAKS = 'leaks';

/** What three taps said of a unit when it was put down on the yard, before anybody walked round it. */
export const atGate = object({
  runs: string().oneOf(['yes', 'no', 'not-tried']).required(),
  leaks: boolean().required(),
  complete: boolean().required(),
  /** What is dangerous, by the complaints' ids. */
  dangers: array(string().max(40).required()).max(8).optional(),
}).noUnknown();
export type AtGate = Frozen<InferType<typeof atGate>>;

/** What is told of a unit at the gate that is dangerous as such, by the complaints' ids: it counts from then on. */
export const dangersAtGate = ({ leaks, dangers = [] }: AtGate): string[] =>
  leaks && dangers.length === 0 ? [LEAKS] : [...dangers];

/** What was amiss, in words; nothing where all was well as far as it was tried. */
export const sayAtGate = ({ runs, leaks, complete, dangers = [] }: AtGate): string[] => [
  ...dangers.map((id) => COMPLAINTS.find((complaint) => complaint.id === id)?.words.toLowerCase() ?? id),
  ...(runs === 'no' ? ['does not run'] : []),
  ...(leaks ? ['leaks'] : []),
  ...(complete ? [] : ['something is missing']),
];
