import type { Wording } from '@hudrik/core/log';
import { READINESS_WORD, type ReadinessName } from '@/design';
import { sayFuel, sayHours, sayTime } from '@/writing';

const isReadiness = (name: string): name is ReadinessName => Object.hasOwn(READINESS_WORD, name);

/** The yard's own words for what an entry of the log says. */
export const WORDING: Wording = {
  time: sayTime,
  hours: sayHours,
  fuel: sayFuel,
  readiness: (name) => (isReadiness(name) ? READINESS_WORD[name] : name),
};
