import { ITEM_OF_WORK } from '../servicePlans';
import { JUDGEMENT, type NeedTables, type ProofLook, type ProofLooks } from '../shapes';

/** What every run of an engine warns of. */
export const EXHAUST = ['carbon-monoxide', 'hot-parts'] as const;

/** What every engine shows at its proof, whatever it drives. */
const EVERY_PROOF: readonly ProofLook[] = [
  { id: 'steady', name: 'Steady off the choke, takes throttle', fails: { observation: 'idle', outcome: 'rough' } },
  { id: 'restart-hot', name: 'Restarts hot', from: 'run', fails: { observation: 'starting', outcome: 'hard' } },
];

/** How long a trouble took to come, by the hirer's words (the end of each band, minutes). */
export const CAME_AFTER = {
  observation: 'runs-for',
  minutes: { 'under-2-min': 2, '2-to-10-min': 10, '10-to-30-min': 30 },
} as const;

/** It comes and goes. */
export const CAME_AND_WENT = { observation: 'intermittent', outcome: 'comes-and-goes' } as const;

/** The oil, looked at again after it ran. */
const LEVEL_LOOK: ProofLook = {
  id: 'level-again',
  name: 'Stopped, five minutes: oil at the mark again',
  from: 'five-after',
  fails: { observation: 'oil-level', outcome: 'low' },
};

/** Trouble that shows at the start: it is started so often before nobody has found it. */
const TRIES_LOOK: ProofLook = {
  id: 'three-starts',
  name: 'Started three times, the first of them cold',
  from: 'running',
  fails: { observation: 'starting', outcome: 'hard' },
};

/** Minutes of a run that is there to see the oil and the switch, not the load. */
const SHORT_RUN_MINUTES = 5;

/** What a kind of job asks of its proof, where its work says nothing else. None: it ends with a look. */
const NEEDS_OF_KIND: NeedTables['ofKind'] = {
  repair: ['leak', 'load'],
  service: ['leak', 'short-run', 'level'],
  prep: [],
  'lay-up': [],
  'wake-up': ['leak', 'load'],
};

/** Work that asks for something else than its kind does: nothing runs for a new lead. */
const NEEDS_OF_WORK: NeedTables['ofWork'] = {
  ...Object.fromEntries(Object.entries(ITEM_OF_WORK).map(([work, { proof }]) => [work, proof])),
  exhaust: ['short-run'],
  'kill-switch': ['short-run'],
  'new-socket': [],
  'earth-terminal': [],
  'new-breaker': ['load'],
  'governor-speed': ['load'],
  'set-governed-speed': ['load'],
  'new-high-pressure-hose': ['load'],
  'new-gun': ['load'],
  unloader: ['load'],
  'pump-seals': ['load'],
  'open-pump-seals-valves': ['load'],
  'welding-lead': [],
  'new-electrode-holder': [],
  'weld-repair': ['load'],
  'coupler-chains': [],
  'new-tyre': [],
  guard: [],
  'drive-guard': [],
  'new-cord': [],
  'tine-guard': [],
  'dead-man-lever-cable': ['short-run'],
  'dead-man-cable-auger-brake': ['short-run'],
  'belt-release': ['short-run'],
  'hydraulic-hose': ['load'],
};

/** What a confirmed cause asks, by its family, where that is not all. */
const NEEDS_OF_FAMILY: NeedTables['ofFamily'] = {
  battery: ['short-run'],
  'starting-gear': ['short-run'],
  switch: ['short-run'],
  'wear-edge': [],
  'water-pump': ['load'],
  hydraulics: ['load'],
  drive: ['load'],
  output: ['load'],
  'weld-circuit': ['load'],
  wiring: ['load'],
  governor: ['load'],
  plug: ['load'],
  coil: ['load'],
  points: ['load'],
  flywheel: ['load'],
  'air-path': ['load'],
};

/** What work asks of its proof: by a cause's family before its work, by its work before its kind. */
export const PROOF_NEEDS_OF: NeedTables = {
  ofKind: NEEDS_OF_KIND,
  ofWork: NEEDS_OF_WORK,
  ofFamily: NEEDS_OF_FAMILY,
  ofAnyCause: ['leak', 'load'],
};

/** The looks of a proof that hang on no class. */
export const PROOF_LOOKS: ProofLooks = {
  everyRun: EVERY_PROOF,
  level: LEVEL_LOOK,
  tries: TRIES_LOOK,
  shortRunMinutes: SHORT_RUN_MINUTES,
  shortRunSource: JUDGEMENT,
};
