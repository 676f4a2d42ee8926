import { WORKS_ON_UNITS, object, text } from '../../fields';
import { atRest } from '../refusals';
import { logKind, telling } from '../shape';

interface Parked {
  /** What was worked on since is not proved: the unit stays held. */
  readonly unproved?: boolean;
}

/** The visit is put aside for days or weeks: nothing is off, no clock runs. */
export const parked = logKind({
  kind: 'parked',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ why: text.min(2).required() }),
  card: { refusal: atRest, visitState: () => 'parked' },
  sentence: ({ why }, { unproved }: Parked) =>
    telling('Parked', why, unproved === true && 'What was worked on is not proved yet.'),
});
