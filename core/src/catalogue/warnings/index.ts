import type { Misleading, Standstill, TellsPast } from '../shapes';

const SPARK_PROOFS = ['spark-set-gap', 'plug-under-pressure', 'plug-swapped'] as const;
const WILL_NOT_FIRE = { observation: 'starting', outcomes: ['will-not-fire'] } as const;

/** Evidence that misleads (common practice). */
export const MISLEADING: readonly Misleading[] = [
  {
    code: 'open-air-spark',
    sentence:
      'A spark in the open proves little: under pressure the same plug can fail. Prove the coil over a set gap, the plug under pressure or by a known good one.',
    seen: [[{ observation: 'spark-open-plug', outcomes: ['blue'] }]],
    unless: SPARK_PROOFS,
  },
  {
    code: 'lamp-only',
    sentence: 'A lamp in the lead shows some spark, not enough spark.',
    seen: [[{ observation: 'spark-inline', outcomes: ['steady'] }]],
    unless: SPARK_PROOFS,
  },
  {
    code: 'gauge-with-release',
    sentence:
      'A compression release makes the reading look low, by hand and by thumb. Spin it past the release with a drill, or do a leak-down, before the engine is blamed.',
    seen: [
      [
        { observation: 'compression', outcomes: ['worn', 'failed'] },
        { observation: 'compression-feel', outcomes: ['weak', 'none'] },
      ],
    ],
    unless: ['leak-down'],
    notEngine: { release: false },
  },
  {
    code: 'clean-plug',
    sentence: 'A clean plug on a dead engine is no proof of spark.',
    seen: [[{ observation: 'plug-look', outcomes: ['tan', 'dry-clean'] }], [WILL_NOT_FIRE]],
    unless: SPARK_PROOFS,
  },
  {
    code: 'new-plug',
    sentence: 'A new plug has no colour yet: its face tells nothing.',
    seen: [[{ observation: 'plug-look' }]],
    past: { plugIsNew: true },
  },
  {
    code: 'wet-after-choke',
    sentence: 'After cranking on full choke a plug is wet whatever the fault.',
    seen: [
      [{ observation: 'plug-look', outcomes: ['wet-fuel'] }],
      [
        WILL_NOT_FIRE,
        { observation: 'starting', outcomes: ['hard'] },
        { observation: 'choke', outcomes: ['needs-choke'] },
      ],
    ],
  },
  {
    code: 'just-cleaned',
    sentence: 'A carburettor that somebody just cleaned is not proven: look at passages, gaskets and links again.',
    seen: [[{ observation: 'last-repair', outcomes: ['carburettor'] }]],
  },
  {
    code: 'comes-and-goes',
    sentence: 'A complaint that comes and goes needs a longer proof, not a shorter one.',
    seen: [[{ observation: 'intermittent', outcomes: ['comes-and-goes'] }]],
  },
  {
    code: 'oiled-cylinder',
    sentence: 'Oil was put into the cylinder: smoke and compression are no proof until it has burnt off.',
    seen: [[{ observation: 'smoke', outcomes: ['blue', 'white'] }, { observation: 'compression' }]],
    past: { cylinderOiled: true },
  },
  {
    code: 'additive',
    sentence: 'There is an additive in the fuel: white smoke may be that.',
    seen: [[{ observation: 'smoke', outcomes: ['white'] }]],
    past: { additiveInFuel: true },
  },
];

export const STANDSTILLS: readonly Standstill[] = [
  { observation: 'starting', outcome: 'will-not-turn', stops: 'turning' },
  { observation: 'recoil-feel', outcome: 'locked', stops: 'turning' },
  { observation: 'recoil-feel', outcome: 'springy-stop', stops: 'turning' },
  { observation: 'compression-feel', outcome: 'locked', stops: 'turning' },
  { observation: 'starting', outcome: 'will-not-fire', stops: 'running' },
  { observation: 'starting', outcome: 'fires-then-dies', stops: 'running' },
  { observation: 'oil-level', outcome: 'over-full', stops: 'starting' },
  { observation: 'oil-look', outcome: 'smells-of-fuel', stops: 'starting' },
];

/** Somebody's earlier repair is told by the past and by the hirer: once is enough. */
export const TELLS_PAST: readonly TellsPast[] = [{ observation: 'last-repair', past: 'openedBefore' }];
