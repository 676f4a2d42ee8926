import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { CLOCKS, FIND_FAULT, folderOf, PROOF_LOOKS } from '@hudrik/core/catalogue';
import type { Entry } from '@hudrik/core/log';
import type { JobRow } from '../database/tables';
import { workOfVisit, type VisitAsked } from './visitWork';

const NOW = new Date('2030-05-06T08:00:00Z');
const later = (minutes: number): Date => new Date(NOW.getTime() + minutes * 60_000);
const job = (more: Partial<JobRow> = {}): JobRow =>
  ({ id: 1, kind: 'repair', work: 'by-hand-1', title: 'New gun', minutes: 60, state: 'waiting', ...more }) as JobRow;
const asked = (more: Partial<VisitAsked> = {}): VisitAsked => ({
  classId: 'generator',
  jobs: [job()],
  entries: [],
  clocks: [],
  parts: [],
  needs: [],
  isAtProof: false,
  findMinutes: new Map(),
  own: new Map(),
  now: NOW,
  ...more,
});
const shown = (more: Partial<VisitAsked> = {}): string[] =>
  workOfVisit(asked(more)).phases.map(({ hands, what, minutes }) => `${hands ? '' : 'wait '}${what} ${minutes}`);
const entry = (kind: string, facts: object): Entry =>
  ({ id: kind, at: NOW.toISOString(), by: 'Ivo', kind, facts, outcome: {}, jobId: '1', corrects: null }) as never;
const LOOK = 'Look and sign 5';

describe('the work of a visit as it stands', () => {
  test('a job, and a look to sign it; what is at its proof has only that', () => {
    assert.deepEqual(shown(), ['New gun 60', LOOK]);
    assert.deepEqual(shown({ isAtProof: true }), [LOOK]);
  });

  test('what its proof asks: the class’s minutes under load, a short run, or a look', () => {
    const { minutes } = folderOf('generator').proof;
    assert.equal(shown({ needs: ['leak', 'load'] }).at(-1), `Proof ${minutes + 5}`);
    assert.equal(shown({ needs: ['short-run'] }).at(-1), `Proof ${PROOF_LOOKS.shortRunMinutes + 5}`);
  });

  test('of a job that is half done half is left', () => {
    const steps = ['a', 'b'].map((key) => ({ stepId: key, key, title: key }));
    const listed = entry('steps-listed', { edition: '1', from: 'start', steps });
    const done = entry('step-done', { stepId: 'a' });
    assert.deepEqual(shown({ entries: [listed, done] }), ['New gun 30', LOOK]);
  });

  test('a wait of its template is waited for; one that runs already only for what is left of it', () => {
    const tank = [job({ work: 'clean-tank', title: 'Tank' })];
    const soak = `wait ${CLOCKS['tank-soak'].name} ${CLOCKS['tank-soak'].minutes}`;
    assert.ok(shown({ jobs: tank }).includes(soak));
    const running = shown({ jobs: tank, clocks: [{ jobId: 1, kind: 'tank-soak', endsAt: later(45) }] });
    assert.equal(running[0], `wait ${CLOCKS['tank-soak'].name} 45`);
    assert.ok(!running.includes(soak));
  });

  test('work here takes as long as such work took here', () => {
    const own = new Map([['repair generator', Array.from({ length: 60 }, () => 2)]]);
    const [first] = workOfVisit(asked({ own })).phases;
    assert.ok(first && first.minutes > 110 && first.minutes < 130, String(first?.minutes));
    assert.deepEqual(shown({ own: new Map([['prep generator', [2, 2, 2]]]) }), ['New gun 60', LOOK]);
  });

  test('a fault that is not found takes what finding it is expected to take', () => {
    const find = [job({ work: FIND_FAULT.work, title: 'Find the fault' })];
    assert.deepEqual(shown({ jobs: find, findMinutes: new Map([[1, 84]]) }), ['Find the fault 84', LOOK]);
  });

  test('a part on its way: nothing begins before it, unless other work or hands were there first', () => {
    const part = { jobId: 1, name: 'Main jet', state: 'ordered', expectedAt: later(300) } as const;
    const waits = workOfVisit(asked({ parts: [part] }));
    assert.deepEqual([waits.part?.name, waits.part?.minutes], ['Main jet', 300]);
    assert.deepEqual(shown({ parts: [part] }), ['New gun 60', LOOK]);
    const begun = { parts: [part], jobs: [job({ state: 'open' })] };
    assert.equal(workOfVisit(asked(begun)).part, null);
    assert.deepEqual(shown(begun), ['wait Main jet 300', 'New gun 60', LOOK]);
    const two = { parts: [part], jobs: [job(), job({ id: 2, title: 'Oil' })] };
    assert.deepEqual(shown(two), ['Oil 60', 'wait Main jet 240', 'New gun 60', LOOK]);
    assert.equal(workOfVisit(asked({ parts: [{ ...part, state: 'reserved' }] })).part, null);
    const unordered = workOfVisit(asked({ parts: [{ ...part, state: 'wanted', expectedAt: null }] }));
    assert.equal(unordered.part?.at, null);
    assert.ok((unordered.part?.minutes ?? 0) >= 1440);
  });
});
