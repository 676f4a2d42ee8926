import assert from 'node:assert/strict';
import { cardOf, isOf, type Entry } from '@hudrik/core/log';
import { readEntries } from '../../log/readLog';
import { computeReadiness } from '../../fleet/computeReadiness';
import type { World } from './world';

/** What is looked at after each deed, past every rule of the program: rows and entries only. */
export class Watch {
  readonly #seen = new Map<string, string>();
  readonly reached = { fitAfterVisit: false, outAgain: false };

  async look(world: World): Promise<void> {
    await this.#nothingVanishes(world);
    const { readiness, readiness_verdict: stored } = await world.unit();
    assert.deepEqual(stored, await computeReadiness(world.db, world.unitId), 'what is stored is what its facts say');
    if (readiness !== 'fit' && readiness !== 'out') return;
    await mustBeWhole(world, readiness);
    const visits = await world.db
      .selectFrom('visit')
      .select('id')
      .where('unit_id', '=', world.unitId)
      .where('ended_at', 'is not', null)
      .where('begun_at', 'is not', null)
      .execute();
    if (visits.length === 0) return;
    if (readiness === 'fit') this.reached.fitAfterVisit = true;
    else this.reached.outAgain = true;
  }

  /** A defect ends only with an entry that says why and who. */
  async #nothingVanishes(world: World): Promise<void> {
    const rows = await world.db
      .selectFrom('defect as d')
      .leftJoin('log_entry as l', 'l.id', 'd.closed_by')
      .select(['d.id', 'd.sentence', 'd.closed_at', 'd.closed_how', 'l.person_id', 'l.kind', 'l.unit_id'])
      .where('d.unit_id', '=', world.unitId)
      .execute();
    for (const [id, sentence] of this.#seen)
      assert.ok(
        rows.some((row) => row.id === id),
        `${sentence} has vanished`,
      );
    for (const row of rows) {
      this.#seen.set(row.id, row.sentence);
      if (row.closed_at === null) continue;
      assert.ok(row.kind !== null && row.closed_how !== null, `${row.sentence} is closed by nothing`);
      assert.ok(row.person_id !== null, `${row.sentence} is closed by nobody (${row.kind})`);
      assert.equal(row.unit_id, world.unitId);
    }
  }
}

/** Never fit or out with an unanswered safety defect, a thing in the tray, or a clock running. */
async function mustBeWhole(world: World, readiness: string): Promise<void> {
  const hire = readiness === 'out' ? await world.hireOut() : undefined;
  const before = hire?.out_at ?? world.now;
  const unsafe = await world.db
    .selectFrom('defect')
    .select('sentence')
    .where('unit_id', '=', world.unitId)
    .where('closed_at', 'is', null)
    .where('safety', '=', true)
    .where('found_at', '<=', before)
    .execute();
  assert.deepEqual(unsafe, [], `${readiness} with an unanswered safety defect`);
  const entries = await readEntries(world.db, (rows) => rows.where('l.unit_id', '=', world.unitId));
  assert.deepEqual(thingsOff(entries), [], `${readiness} with things in the tray`);
  mustBeProved(entries, readiness);
  const running = await world.db
    .selectFrom('clock')
    .select('kind')
    .where('unit_id', '=', world.unitId)
    .where('ended_at', 'is', null)
    .execute();
  assert.deepEqual(running, [], `${readiness} with a clock running`);
}

/** What was taken apart ran afterwards, and somebody signed it: whatever became of the job that it came off for. */
function mustBeProved(entries: readonly Entry[], readiness: string): void {
  const off = entries.findLastIndex((entry) => entry.kind === 'taken-off');
  const proved = entries.findLastIndex((entry) => isOf(entry, 'proved') && entry.facts.passed);
  assert.ok(proved >= off, `${readiness} after something was off, and not proved since`);
}

/** By the unit's whole log, whatever visits there were. */
function thingsOff(entries: readonly Entry[]): string[] {
  const { ledger } = cardOf(entries);
  return [...ledger.putBack, ...ledger.onTrial].map((thing) => thing.what);
}
