import { JUDGEMENT, type Check, type Consequence, type Exception, type RaisedWork, type Shown } from '../shapes';

/** One way in which a check is not OK, what is done about it, and what it shows in the fault-finding vocabulary. */
export function exception(
  id: string,
  words: string,
  consequence: Consequence,
  sentence: string,
  raises: RaisedWork | null,
  shows?: Shown,
): Exception {
  return {
    id,
    words,
    consequence,
    sentence,
    ...(shows ? { shows } : {}),
    ...(raises === null ? {} : { raises }),
  };
}

type More = Partial<
  Pick<
    Check,
    'caution' | 'photo' | 'showsWhenOk' | 'measured' | 'leastSeconds' | 'system' | 'running' | 'alwaysThere' | 'when'
  >
>;

export const ordinary = (id: string, words: string, exceptions: Check['exceptions'], more: More = {}): Check => ({
  id,
  words,
  kind: 'ordinary',
  leastSeconds: 3,
  secondsSource: JUDGEMENT,
  exceptions,
  ...more,
});

export const safety = (id: string, words: string, exceptions: Check['exceptions'], more: More = {}): Check => ({
  id,
  words,
  kind: 'safety',
  leastSeconds: 3,
  secondsSource: JUDGEMENT,
  exceptions,
  ...more,
});
