import {
  CAME_AFTER,
  CLASS_FOLDERS,
  CLOCKS,
  COMPLAINTS,
  DERIVED_FINDINGS,
  FAULTS,
  GOVERNOR_CLASSES,
  GOVERNOR_CLASSES_SOURCE,
  JUDGEMENT,
  KNOWLEDGE_SOURCES,
  MONEY,
  OBSERVATIONS,
  PROOF_LOOKS,
  FUELS,
  LAY_UP_METHODS,
  READING_LIMITS,
  RISKS,
  SERVICE_PLANS,
  SET_UPS,
  STATES_FOUND,
  TANKS,
  TANKS_SOURCE,
  type AnyFault,
  type AnyObservation,
  type ClassId,
  type Every,
  type Limit,
  type RaisedWork,
  type Source,
  type Threshold,
} from '../catalogue';
import { COLDEST_STARTS } from '../service/fluidFor';
import { CALCULATORS } from '../calculators';
import { entriesOf } from '../typed';
import { THRESHOLDS } from './thresholds';

/** A figure on which something turns, where it stands, and where it comes from. */
export interface SourceLine {
  readonly group: string;
  readonly what: string;
  readonly value: string;
  readonly source: Source;
}

const line = (group: string, what: string, value: string, source: Source): SourceLine => ({
  group,
  what,
  value,
  source,
});
const sayEvery = ({ hours, months }: Every): string =>
  [
    hours === undefined ? [] : `every ${hours} h`,
    months === undefined ? [] : `every ${months === 1 ? 'month' : `${months} months`}`,
  ]
    .flat()
    .join(' or ');
const money = (cents: number): string => (cents / 100).toFixed(2);
/** The source of one kind of number of the knowledge. Throws for a kind that is none. */
function knowledge(table: keyof typeof KNOWLEDGE_SOURCES, kind: string): Source {
  const source = KNOWLEDGE_SOURCES[table][kind];
  if (source === undefined) throw new Error(`No source of ${table}: ${kind}`);
  return source;
}

const readings = (): SourceLine[] =>
  entriesOf(READING_LIMITS).flatMap(([name, { unit, source, steps }]) =>
    steps.map((step) =>
      line(
        'Readings',
        `${name}: ${step.outcome}`,
        `${'isOver' in step ? 'over' : 'from'} ${step.from} ${unit}`,
        source,
      ),
    ),
  );

function sayLimit(limit: Limit, unit: string): string {
  if (limit.kind === 'at-least') return `at least ${limit.min} ${unit}`;
  return limit.kind === 'at-most' ? `at most ${limit.max} ${unit}` : `${limit.min} to ${limit.max} ${unit}`;
}

const classes = (): SourceLine[] =>
  CLASS_FOLDERS.flatMap(({ machineClass, proof, money: own }) => {
    const { name, use, kit, kitSource } = machineClass;
    const checks = machineClass.stations.flatMap((station) => station.checks);
    return [
      ...checks.flatMap(({ words, measured }) =>
        measured === undefined ? [] : line(name, words, sayLimit(measured.limit, measured.unit), measured.limit.source),
      ),
      ...proof.readings.map((reading) =>
        line(
          name,
          `Proof: ${reading.name}`,
          `${reading.least ?? '…'} to ${reading.most ?? '…'} ${reading.unit}`,
          reading.source,
        ),
      ),
      line(name, 'Minutes under load', `${proof.minutes} min`, proof.minutesSource),
      line(
        name,
        'Hours a day on hire, before its own are known',
        `${use.shape / use.rate} h, spread ${use.hireSpread ?? 0}`,
        use.source,
      ),
      ...SERVICE_PLANS[machineClass.id as ClassId].items.map((item) =>
        line(name, `Service: ${item.name}`, `${sayEvery(item.every)}, ${item.minutes} min`, item.source),
      ),
      line(name, 'A day’s hire', money(own.dayCents), own.source),
      line(name, 'Worth new, and let go', `${money(own.soundCents)}, ${money(own.scrapCents)}`, own.source),
      line(name, 'Another engine', `${money(own.engineCents)}, ${own.swapMinutes} min`, own.source),
      line(
        name,
        'It loses half its worth in',
        `${own.halfLife.hours} h, and in ${own.halfLife.years} years`,
        own.source,
      ),
      ...kit.map((item) => line(name, `Kit: ${item.name}`, money(item.priceCents), kitSource)),
    ];
  });

const checks = (): SourceLine[] => {
  const seconds = new Map<string, SourceLine>();
  for (const { machineClass } of CLASS_FOLDERS)
    for (const { words, leastSeconds, secondsSource } of machineClass.stations.flatMap((station) => station.checks))
      seconds.set(
        words,
        line('Checks', `Looked at in less, nobody looked: ${words}`, `${leastSeconds} s`, secondsSource),
      );
  return [...seconds.values()];
};

/** Every work that anything raises, once. */
function works(): RaisedWork[] {
  const raised = [
    ...CLASS_FOLDERS.flatMap(({ machineClass }) =>
      machineClass.stations.flatMap((station) =>
        station.checks.flatMap((check) => check.exceptions.flatMap(({ raises }) => raises ?? [])),
      ),
    ),
    ...COMPLAINTS.flatMap(({ raises }) => raises ?? []),
    ...DERIVED_FINDINGS.flatMap(({ raises }) => raises ?? []),
  ];
  return [...new Map(raised.map((work) => [`${work.title} ${work.minutes}`, work])).values()];
}

const bench = (): SourceLine[] => [
  ...works().map((work) => line('Work', work.title, `${work.minutes} min`, work.source)),
  ...entriesOf(CLOCKS).map(([, clock]) => line('Clocks', clock.name, `${clock.minutes} min`, clock.source)),
  line('Proof', 'A short run', `${PROOF_LOOKS.shortRunMinutes} min`, PROOF_LOOKS.shortRunSource),
  ...entriesOf(CAME_AFTER.minutes).map(([outcome, minutes]) =>
    line('Proof', `A trouble that came after: ${outcome}`, `${minutes} min`, JUDGEMENT),
  ),
  ...DERIVED_FINDINGS.map((rule) => line('Derived findings', rule.sentence, sayWhen(rule), rule.source)),
];

const sayWhen = ({ when }: (typeof DERIVED_FINDINGS)[number]): string =>
  when
    .map((one) => {
      if ('shown' in one) return `${one.shown.observation}: ${one.shown.outcome}`;
      return 'below' in one ? `${one.fact} below ${one.below}` : `${one.fact} at least ${one.atLeast}`;
    })
    .join(' and ');

const moneyLines = (): SourceLine[] => [
  ...entriesOf(STATES_FOUND).map(([, state]) =>
    line('Money', `Mending holds: ${state.name}`, `${state.success}`, state.source),
  ),
  ...entriesOf(RISKS).map(([, risk]) => line('Money', risk.name, `${risk.odds}, ${risk.minutes} min`, risk.source)),
  ...entriesOf(MONEY)
    .flatMap(([, entry]) => ('value' in entry ? [entry] : Object.values(entry)))
    .map((entry) => ofThreshold('Money', entry)),
];

const ofThreshold = (group: string, { name, value, unit, source }: Threshold): SourceLine =>
  line(group, name, unit === 'cents' ? money(value) : `${value} ${unit}`, source);

const governors = (): SourceLine[] =>
  GOVERNOR_CLASSES.map(({ name, droop, band, voltage }) =>
    line(
      'Generating sets',
      `Class ${name}`,
      `droop ${droop} %, band ${band} %, volts ± ${voltage} %`,
      GOVERNOR_CLASSES_SOURCE,
    ),
  );

const faults = (): SourceLine[] =>
  entriesOf<string, AnyFault>(FAULTS).flatMap(([, { name, perThousand, repair, rivals = [] }]) => [
    line('Faults', name, `${perThousand} of a thousand`, knowledge('faults', 'odds, of a thousand')),
    ...[repair, ...rivals].map(({ title, minutes, partsCents, holds }) =>
      line(
        'Repairs',
        `${name}: ${title}`,
        `${minutes} min, ${money(partsCents)}${holds === undefined ? '' : `, holds ${holds}`}`,
        knowledge('faults', 'minutes, prices and how often a repair holds'),
      ),
    ),
  ]);

const looks = (): SourceLine[] => [
  ...entriesOf<string, AnyObservation>(OBSERVATIONS).map(([, { words, minutes }]) =>
    line('Looks', words, `${minutes} min`, knowledge('observations', 'minutes')),
  ),
  ...entriesOf(SET_UPS).map(([, setUp]) =>
    line('Set-ups', setUp.words, `${setUp.minutes} min`, knowledge('setUps', 'minutes')),
  ),
];

const tables = (): SourceLine[] =>
  entriesOf(KNOWLEDGE_SOURCES).flatMap(([table, kinds]) =>
    Object.entries(kinds).map(([kind, source]) => line('Fault finding, by table', `${table}: ${kind}`, '', source)),
  );

const sums = (): SourceLine[] =>
  CALCULATORS.flatMap(({ name, formula, sources }) => sources.map((source) => line('Sums', name, formula, source)));

/** Fuel, tanks, and the ways to let a unit stand. */
function standing(): SourceLine[] {
  const fuels = Object.values(FUELS).map(({ name, keepsDays, treatedDays, centsPerLitre, source }) =>
    line(
      'Fuel',
      name,
      `keeps ${keepsDays} days, with stabiliser ${treatedDays}; ${money(centsPerLitre)} a litre`,
      source,
    ),
  );
  const tanks = entriesOf(TANKS).map(([classId, { litres, isMetal, hasTap }]) =>
    line(
      'Fuel',
      `Tank: ${classId}`,
      `${litres} l, ${isMetal ? 'metal' : 'plastic'}, ${hasTap ? 'a tap' : 'no tap'}`,
      TANKS_SOURCE,
    ),
  );
  const methods = Object.values(LAY_UP_METHODS).map(({ name, minutes, wakeMinutes, risk, source }) =>
    line(
      'Lay-up',
      name,
      `${minutes} min, ${wakeMinutes} min to wake; Weibull ${risk.scaleDays} days, shape ${risk.shape}`,
      source,
    ),
  );
  const { name, value, source } = COLDEST_STARTS;
  return [...fuels, ...tanks, ...methods, line('Service', name, value.join(', '), source)];
}

/** Every figure that decides something, with its source. */
export const sourceLines = (): SourceLine[] => [
  ...readings(),
  ...governors(),
  ...classes(),
  ...checks(),
  ...bench(),
  ...standing(),
  ...moneyLines(),
  ...THRESHOLDS.map((one) => ofThreshold('Thresholds', one)),
  ...sums(),
  ...tables(),
  ...looks(),
  ...faults(),
];
