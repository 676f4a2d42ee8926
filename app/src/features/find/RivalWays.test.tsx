import { FAULT_KNOWLEDGE } from '@hudrik/core/catalogue';
import { rivalRepairs } from '@hudrik/core/diagnosis';
import { screen } from '@testing-library/react-native';
import { show } from '@/testing/screen';
import { RivalWays } from './RivalWays';

test('the way to begin with stands first; each says its minutes, parts, how often it holds, and what it comes to', () => {
  show(<RivalWays ways={rivalRepairs(FAULT_KNOWLEDGE, 'carb-corroded', {}, new Set(['carb-off']))} />, {});
  const titles = screen.getAllByText(/^(Begin with|Or): /).map((one) => one.props['children']);
  expect(titles).toEqual(['Begin with: replace the carburettor.', 'Or: strip and bath the carburettor.']);
  // 25 min at 78.00 an hour and 55.00; in 3 of 100 a bath after it, 71.50 and 22.00.
  expect(screen.getByText('25 min · parts $55.00 · holds in 97 % · about $90.31 to the end')).toBeTruthy();
});

test('of one way nothing is said', () => {
  show(<RivalWays ways={rivalRepairs(FAULT_KNOWLEDGE, 'switch-off', {}, new Set())} />, {});
  expect(screen.queryByText(/^Begin with/)).toBeNull();
});
