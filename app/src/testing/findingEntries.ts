import type { Entry } from '@hudrik/core/log';

let count = 0;

/** An entry of a finding. For tests. */
export const entryOf = (kind: string, facts: object, more: Partial<Entry> = {}): Entry => ({
  id: `entry-${count++}`,
  at: '2030-03-04T09:00:00Z',
  by: 'Ivo Tarnwell',
  kind,
  facts,
  outcome: {},
  ...more,
});
