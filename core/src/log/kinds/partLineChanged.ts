import { WORKS_ON_UNITS, object, string } from '../../fields';
import { logKind, telling } from '../shape';
import { PART_LINE_ACTIONS } from '../../states';
import { partName, type PartNamed } from '../observed';

const ACTION_NAMES = {
  use: 'Part used',
  return: 'Part given back',
  drop: 'Part not needed',
  reserve: 'Part reserved',
} as const;

/** What became of a part that was asked for. */
export const partLineChanged = logKind({
  kind: 'part-line-changed',
  on: 'part-line',
  who: WORKS_ON_UNITS,
  facts: object({ action: string().oneOf(PART_LINE_ACTIONS).required() }),
  sentence: ({ action }, part: PartNamed) => telling(`${ACTION_NAMES[action]}: ${partName(part)}`),
});
