import type { ReadingKind } from '../shapes';

/** A gap that is set: which way to adjust it where it is too small or too large (common practice). */
export interface GapWay {
  readonly low: string;
  readonly high: string;
}

const LASH: GapWay = {
  low: 'Back the adjuster off; where nothing adjusts, the stem is shortened square in small steps.',
  high: 'Turn the adjuster in; where nothing adjusts, look for wear of stem, seat or cam.',
};

export const GAP_WAYS: Readonly<Partial<Record<ReadingKind, GapWay>>> = {
  'plug-gap': { low: 'Bend the side electrode out.', high: 'Tap the side electrode in.' },
  'air-gap': {
    low: 'Move the coil out: it must not rub.',
    high: 'Loosen the coil, let the magnet pull it down on the gauge, tighten.',
  },
  'points-gap': { low: 'Move the fixed contact away.', high: 'Move the fixed contact nearer.' },
  'valve-lash': LASH,
};
