import {
  FAULTS,
  PROOF_NEEDS_OF,
  CLASS_IDS,
  checksOf,
  classOf,
  COMPLAINTS,
  DERIVED_FINDINGS,
  SERVICE_ITEMS,
  workOfItem,
} from '../catalogue';
import { needsOf, unionOf } from './index';

const repair = (families: readonly string[], work = 'find-fault') =>
  needsOf({ kind: 'repair', work, families }, PROOF_NEEDS_OF);

test('a cause decides before the work, the work before the kind', () => {
  expect(repair([])).toEqual(['leak', 'load']);
  expect(repair(['switch'])).toEqual(['short-run']);
  expect(repair(['switch', 'battery'])).toEqual(['short-run']);
  expect(repair(['switch', 'carburettor-passages'])).toEqual(['leak', 'load', 'short-run']);
  expect(needsOf({ kind: 'repair', work: 'welding-lead', families: [] }, PROOF_NEEDS_OF)).toEqual([]);
  expect(needsOf({ kind: 'service', work: 'oil-service', families: [] }, PROOF_NEEDS_OF)).toEqual([
    'leak',
    'short-run',
    'level',
  ]);
  expect(needsOf({ kind: 'prep', work: 'wash', families: [] }, PROOF_NEEDS_OF)).toEqual([]);
});

test('the union of two jobs asks each thing once, in the order in which it is done', () => {
  expect(unionOf([['short-run', 'level'], ['load'], []])).toEqual(['load', 'short-run', 'level']);
  expect(unionOf([])).toEqual([]);
});

test('what is named in the tables is there: no work and no family that nothing has', () => {
  const works = new Set([
    ...CLASS_IDS.flatMap((id) => checksOf(classOf(id)))
      .flatMap((check) => check.exceptions)
      .flatMap((entry) => entry.raises?.work ?? []),
    ...COMPLAINTS.flatMap((entry) => entry.raises?.work ?? []),
    ...DERIVED_FINDINGS.flatMap((rule) => rule.raises?.work ?? []),
    ...SERVICE_ITEMS.map(workOfItem),
  ]);
  expect(Object.keys(PROOF_NEEDS_OF.ofWork).filter((work) => !works.has(work))).toEqual([]);
  const families = new Set(Object.values(FAULTS).map((fault) => fault.family));
  expect(Object.keys(PROOF_NEEDS_OF.ofFamily).filter((family) => !families.has(family))).toEqual([]);
});

test('what was found by a number is measured again by the work it raises', () => {
  const found = CLASS_IDS.flatMap((id) => checksOf(classOf(id)))
    .filter((check) => check.measured !== undefined)
    .flatMap((check) => check.exceptions)
    .flatMap(({ raises }) => (raises ? [{ ...raises, families: [] }] : []));
  expect(found.length).toBeGreaterThan(3);
  for (const job of found)
    expect([job.work, needsOf(job, PROOF_NEEDS_OF)]).toEqual([job.work, expect.arrayContaining(['load'])]);
});
