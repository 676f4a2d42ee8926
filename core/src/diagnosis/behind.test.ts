import { FAULT_KNOWLEDGE } from '../catalogue';
import { behindOf } from './index';

const behind = (causes: readonly string[], looked: readonly (readonly [string, string])[] = []) =>
  behindOf(
    FAULT_KNOWLEDGE,
    causes,
    looked.map(([observation, outcome]) => ({ observation, outcome })),
  ).map(({ cause, parent }) => `${cause} < ${parent}`);

describe('what stands behind a cause', () => {
  test('what often brings it about, the likeliest; not what is confirmed with it', () => {
    expect(behind(['inlet-screen-blocked'])).toEqual(['inlet-screen-blocked < rusty-tank']);
    expect(behind(['inlet-screen-blocked', 'rusty-tank'])).toEqual([]);
    expect(behind(['switch-off'])).toEqual([]);
  });

  test('nor what was looked at and found well; something else seen there rules nothing out', () => {
    expect(behind(['inlet-screen-blocked'], [['tank-look', 'clean']])).toEqual([]);
    expect(behind(['filter-blocked'], [['fuel-look', 'fresh']])).toHaveLength(1);
    expect(behind(['inlet-screen-blocked'], [['tank-look', 'low-for-pick-up']])).toHaveLength(1);
  });

  test('seldom is not said', () => {
    expect(FAULT_KNOWLEDGE.brings['dirt-in-tank']?.['pilot-jet-blocked']).toBeLessThan(0.3);
    expect(behind(['pilot-jet-blocked', 'carb-varnished', 'stale-fuel', 'carb-corroded'])).toEqual([]);
  });
});
