import { readFileSync } from 'node:fs';
import path from 'node:path';
import { CLASS_IDS, entryOf, FAULT_KNOWLEDGE, OBSERVATIONS, READING_LIMITS, type AnyObservation } from '../catalogue';
import { bandReading } from '../readings';
import { diagnose, Finding, readCase, type Band, type Workplace } from './index';

/**
 * What is advised in some cases, whole and to four figures: not because each figure is right, which the other tests look at, but so that
 * none changes unseen. Where a change is meant: `npx jest plans -u`, and read the difference.
 */
const band: Band = (observation, reading, engine) => {
  const kind = entryOf<AnyObservation>(OBSERVATIONS, observation)?.reading;
  return kind ? bandReading(kind, reading, READING_LIMITS, { engine }) : { ok: false, why: 'no reading' };
};
const four = (value: number): number => Number(value.toPrecision(4));

test.each(['two-jet-and-plug', 'generator-field', 'switch', 'washer-unloader', 'nothing-wrong', 'valve-stuck'])(
  '%s',
  (name) => {
    const given: unknown = JSON.parse(readFileSync(path.join(process.cwd(), 'cases', `${name}.json`), 'utf8'));
    const read = readCase(given, CLASS_IDS, FAULT_KNOWLEDGE, band);
    if (!read.ok) throw new Error(read.problem.code);
    const finding = new Finding(FAULT_KNOWLEDGE, read.case.machine, [{ seen: read.case.seen }]);
    const workplaces: Workplace[] = [
      { setUpsDone: new Set<string>(), toolsAtHand: null },
      { setUpsDone: new Set(['plug-out', 'cowl-off']), toolsAtHand: new Set(['feeler-gauge']) },
    ];
    for (const workplace of workplaces) {
      const { suspects, sets, next, lanes, expectedMinutes } = diagnose(finding, workplace);
      expect({
        suspects: suspects.slice(0, 8).map(({ id, probability }) => `${id} ${four(probability)}`),
        sets: sets.slice(0, 5).map(({ faults, probability }) => `${faults.join('+')} ${four(probability)}`),
        next: next
          .slice(0, 8)
          .map((step) =>
            JSON.stringify(step, (_, value: unknown) => (typeof value === 'number' ? four(value) : value)),
          ),
        lanes: lanes.map(({ lane, probability, state }) => `${lane} ${four(probability)} ${state}`),
        expectedMinutes: four(expectedMinutes),
      }).toMatchSnapshot();
    }
  },
);
