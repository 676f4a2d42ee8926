import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { renderHook } from '@testing-library/react-native';
import { useChanges } from './useChanges';

let mockSettled: () => void = () => undefined;
const mockStop = jest.fn();
jest.mock('@/outbox', () => ({
  outbox: () => ({
    whenSettled: (listener: () => void) => {
      mockSettled = listener;
      return mockStop;
    },
  }),
}));

test('the first thing that was sent is read anew at once, the hundreds after it together', () => {
  jest.useFakeTimers();
  const client = new QueryClient();
  const readAnew = jest.spyOn(client, 'invalidateQueries').mockResolvedValue();
  const { unmount } = renderHook(() => useChanges(true), {
    wrapper: ({ children }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>,
  });
  mockSettled();
  expect(readAnew).toHaveBeenCalledTimes(1);
  for (let n = 0; n < 300; n++) {
    mockSettled();
    jest.advanceTimersByTime(10);
  }
  // Three seconds of it, and what came last is read too.
  expect(readAnew.mock.calls.length).toBeLessThanOrEqual(4);
  const before = readAnew.mock.calls.length;
  mockSettled();
  jest.advanceTimersByTime(1000);
  expect(readAnew.mock.calls.length).toBeGreaterThan(before);
  mockSettled();
  mockSettled();
  unmount();
  const last = readAnew.mock.calls.length;
  jest.advanceTimersByTime(5000);
  expect(readAnew).toHaveBeenCalledTimes(last);
  expect(mockStop).toHaveBeenCalled();
  jest.useRealTimers();
});
