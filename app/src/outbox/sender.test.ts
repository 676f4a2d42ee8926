import { Bell, keepSending, type Passed } from './sender';

const LEFT: Passed = { isLeft: true, hasMoved: false };
const MOVED: Passed = { isLeft: true, hasMoved: true };
const DONE: Passed = { isLeft: false, hasMoved: false };

/** Passes that come out so, one after the other, and how often it was tried by then. */
function sending(outcomes: readonly (Passed | Error)[]) {
  const bell = new Bell();
  const stop = new AbortController();
  let tries = 0;
  const ended = keepSending(
    async () => {
      const outcome = outcomes[tries++] ?? DONE;
      if (outcome instanceof Error) throw outcome;
      return outcome;
    },
    bell,
    stop.signal,
  );
  return {
    bell,
    tries: () => tries,
    end: async () => {
      stop.abort();
      await ended;
    },
  };
}

describe('sending again and again', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    jest.spyOn(Math, 'random').mockReturnValue(0);
  });
  afterEach(() => {
    jest.useRealTimers();
    jest.restoreAllMocks();
  });
  const after = (ms: number) => jest.advanceTimersByTimeAsync(ms);

  test('pauses grow while nothing moves, and begin anew when something did', async () => {
    const { tries, end } = sending([LEFT, LEFT, LEFT, MOVED, LEFT, DONE]);
    const tried: number[] = [];
    for (const ms of [0, 999, 1, 1999, 1, 3999, 1, 999, 1]) {
      await after(ms);
      tried.push(tries());
    }
    // After one, two, four seconds; what moved something is followed at once, and after that by the first pause.
    expect(tried).toEqual([1, 1, 2, 2, 3, 3, 5, 5, 6]);
    await after(600_000);
    expect(tries()).toBe(6);
    await end();
  });

  test('one that breaks off, whatever by, is tried again', async () => {
    const { tries, end } = sending([new TypeError('x is undefined'), new RangeError('no'), DONE]);
    await after(0);
    expect(tries()).toBe(1);
    await after(2000);
    expect(tries()).toBe(2);
    await after(4000);
    expect(tries()).toBe(3);
    await end();
  });

  test('the bell ends a pause', async () => {
    const { bell, tries, end } = sending([LEFT, LEFT, LEFT, LEFT, LEFT, LEFT, DONE]);
    await after(10_000);
    const before = tries();
    bell.ring();
    await after(0);
    expect(tries()).toBe(before + 1);
    await end();
  });
});
