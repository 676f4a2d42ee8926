import type { Check, Consequence, Exception, JobKind, Shown } from '../shapes';

interface Rest {
  readonly shows?: Shown;
  readonly kind?: JobKind;
  readonly work?: string;
  readonly minutes?: number;
}

/** An exception whose work, when not given by itself, is to put right what it says. */
export function exception(
  id: string,
  words: string,
  consequence: Consequence,
  sentence: string,
  job: string,
  rest: Rest = {},
): Exception {
  const {
    shows,
    kind = consequence === 'hold' ? 'repair' : 'prep',
    work = id,
    minutes = consequence === 'hold' ? 40 : 15,
  } = rest;
  return {
    id,
    words,
    consequence,
    sentence,
    ...(shows ? { shows } : {}),
    ...(job === '' ? {} : { raises: { kind, work, title: job, minutes } }),
  };
}

type More = Partial<Pick<Check, 'caution' | 'photo' | 'showsWhenOk' | 'measured' | 'leastSeconds'>>;

export const ordinary = (id: string, words: string, exceptions: Check['exceptions'], more: More = {}): Check => ({
  id,
  words,
  kind: 'ordinary',
  leastSeconds: 3,
  exceptions,
  ...more,
});

export const safety = (id: string, words: string, exceptions: Check['exceptions'], more: More = {}): Check => ({
  id,
  words,
  kind: 'safety',
  leastSeconds: 3,
  exceptions,
  ...more,
});
