import { sayWeakness, weaknessOfPin } from '@hudrik/core/people';
import { Refusal } from '../refusal';

/** Refuses a new PIN that is guessed too easily. */
export function mustBeHard(pin: string, name: string): void {
  const weakness = weaknessOfPin(pin, name);
  if (weakness !== null) throw new Refusal('not-valid', {}, [{ path: 'pin', message: sayWeakness(weakness) }]);
}
