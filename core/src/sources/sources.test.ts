import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { saySource } from '../catalogue';
import { limitsDocument } from './index';
import { sourceLines } from './table';
import { THRESHOLDS } from './thresholds';

const CORE = path.join(__dirname, '..');
const filesIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const file = path.join(folder, entry.name);
    return entry.isDirectory()
      ? filesIn(file)
      : file.endsWith('.ts') && !/\.(test|samples)\.ts$/.test(file)
        ? [file]
        : [];
  });

/** Numbers that decide nothing of the trade: sizes, steps, hairs of arithmetic, units of time. */
const NUMERICAL = [
  'HAIR',
  'TINY',
  'HARDLY',
  'VANISHING',
  'NOTHING_MORE',
  'MINUTE_MS',
  'DAY_MS',
  'MINUTES_A_DAY',
  'BESIDE',
  'EXPONENTS',
  'EXPONENT_BIAS',
  'EXPONENT_SHIFT',
  'DRAWS',
  'STEPS',
  'WIDEST',
  'HALVINGS',
  'STANDARD_K',
  'PLACES',
  'TRIES',
  'TENTH',
  'FOLLOWERS',
  'TWO_AHEAD',
  'BEARS',
  'SURE',
  'SETS_FOR_STEPS',
  'SHOWN_SUSPECTS',
  'SCALING_ROUNDS',
  'SAME_SHOWN_BY',
  'LOOKED',
  'COVER_MINUTES',
  'MOST_CONFLICTS',
  'MOST_FAULTS',
  'MOST_COMPLAINTS',
  'MOST_STEPS',
  'SETS_TO_DRAW',
  'MOST_ANCESTORS',
  'MOST_KEPT',
  'LOOK_AFTER',
  'LONGEST',
  'MOST_BOLTS',
  'MOST_PARTS',
  'SUREST',
  'LEAST_OWN_PART',
  'BROKEN_CENTS',
  'BROKEN_CENTS_PER_MINUTE',
  'WARM',
  'COLD',
  'STEPS_A_LOOK',
  'HANDS',
  'WHOLE',
  'NEAR',
  'ANYWHERE',
  'ABOUT',
  'BEYOND',
  'EIGHT_IN_TEN',
  'WAIT_SPREAD',
  'LONG_LIFE',
  'LEAST_SEVERITY',
  'MONTHS',
  'MOST_TRIES',
  'MONTH_DAYS',
  'FURTHEST_DAYS',
  'STEP_DAYS',
  'NEAR_DAYS',
  'HUNDREDTH',
  'STRIDE',
  'PIN_BYTES',
  'LIST_BYTES',
  'MOST_LISTED',
];

test('no number stands by itself in a sum: it is a threshold with its source, or one of arithmetic', () => {
  const bare = filesIn(CORE)
    .filter((file) => !file.includes(`${path.sep}catalogue${path.sep}`))
    .flatMap((file) =>
      [
        ...readFileSync(file, 'utf8').matchAll(
          /^(?:export )?const ([A-Z][A-Z0-9_]*)(?:: number)? = -?[\d.][\d_.e]*(?: ?[*/] ?[\d_.]+)?;/gm,
        ),
      ]
        .map(([, name = '']) => name)
        .filter((name) => !NUMERICAL.includes(name))
        .map((name) => `${path.relative(CORE, file)}: ${name}`),
    );
  expect(bare).toEqual([]);
});

test('every threshold is in the table', () => {
  const declared = filesIn(CORE)
    .filter((file) => !file.includes(`${path.sep}catalogue${path.sep}`))
    .flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/const ([A-Z0-9_]+): Threshold/g)].map(([, name]) => name),
    );
  expect(declared.length).toBe(THRESHOLDS.length);
  expect(new Set(THRESHOLDS.map(({ name }) => name)).size).toBe(THRESHOLDS.length);
});

describe('every figure', () => {
  const lines = sourceLines();

  test('names where it comes from; a document with its clause, a memory with what is remembered', () => {
    for (const { what, source } of lines) {
      expect([what, saySource(source).length > 8]).toEqual([what, true]);
      if (source.kind === 'published')
        expect([what, source.document.length > 4, source.clause.length > 4]).toEqual([what, true, true]);
      if (source.kind === 'from memory') expect([what, source.of.length > 4]).toEqual([what, true]);
    }
  });

  test('is in the table: limits, odds, prices, minutes and thresholds', () => {
    const groups = new Map<string, number>();
    for (const { group } of lines) groups.set(group, (groups.get(group) ?? 0) + 1);
    for (const [group, least] of [
      ['Readings', 30],
      ['Generator', 18],
      ['Snowblower', 13],
      ['Faults', 100],
      ['Repairs', 100],
      ['Looks', 90],
      ['Thresholds', 40],
      ['Money', 15],
      ['Sums', 20],
    ] as const)
      expect([group, (groups.get(group) ?? 0) >= least]).toEqual([group, true]);
  });

  test('the auger of a snowblower stops in 5 seconds by a published standard (ANSI/OPEI B71.3)', () => {
    const stop = lines.filter(({ group, value }) => group === 'Snowblower' && /\b5 s$/.test(value));
    expect(stop.length).toBeGreaterThan(0);
    for (const { source } of stop) expect(saySource(source)).toContain('B71.3');
  });
});

test('docs/limits.md is made from the data as it is (else: npm run ids)', () => {
  const written = readFileSync(path.join(CORE, '..', '..', 'docs', 'limits.md'), 'utf8');
  expect(written).toBe(limitsDocument());
});
