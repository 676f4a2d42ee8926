import assert from 'node:assert/strict';
import { checksOf, classOf, PROOF_NEEDS_OF } from '@hudrik/core/catalogue';
import { cardOf, isOf, type Entry } from '@hudrik/core/log';
import { readEntries } from '../../log/readLog';
import { computeReadiness } from '../../fleet/computeReadiness';
import type { World } from './world';

/** What is looked at after each deed, past every rule of the program: rows and entries only. */
export class Watch {
  readonly #seen = new Map<string, string>();
  readonly #judged = new Set<string>();
  readonly reached = { fitAfterVisit: false, outAgain: false };

  async look(world: World): Promise<void> {
    await this.#nothingVanishes(world);
    await hiresMustEndWell(world);
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

  /** A defect ends only with an entry that says why and who, and that lies after it and after the last work there. */
  async #nothingVanishes(world: World): Promise<void> {
    const rows = await closings(world);
    for (const [id, sentence] of this.#seen)
      assert.ok(
        rows.some((row) => row.id === id),
        `${sentence} has vanished`,
      );
    const entries = await readEntries(world.db, (all) => all.where('l.unit_id', '=', world.unitId));
    for (const row of rows) {
      this.#seen.set(row.id, row.sentence);
      if (row.closed_at !== null && !this.#judged.has(row.id)) {
        this.#judged.add(row.id);
        mustEndWell(world, row, entries);
      }
    }
  }
}

/** Each defect of the unit, with the entry that ended it; of a check-in, when it was begun. */
const closings = (world: World) =>
  world.db
    .selectFrom('defect as d')
    .leftJoin('log_entry as l', 'l.id', 'd.closed_by')
    .leftJoin('check_in as c', 'c.id', 'l.id')
    .select(['d.id', 'd.sentence', 'd.origin_kind', 'd.origin_id', 'd.seen_at', 'd.closed_at', 'd.closed_how'])
    .select(['l.person_id', 'l.kind', 'l.unit_id', 'l.timing', 'l.at', 'l.id as entry_id', 'c.began_at', 'c.stands'])
    .where('d.unit_id', '=', world.unitId)
    .execute();

type Closing = Awaited<ReturnType<typeof closings>>[number];

/** Of these nobody can say by looking that they are put right: the work is proved. */
const WANTS_PROOF: readonly string[] = ['cause', 'told', 'clock', 'look'];

function mustEndWell(world: World, row: Closing, entries: readonly Entry[]): void {
  const { sentence, kind, closed_how: how, at } = row;
  assert.ok(kind !== null && at !== null && how !== null, `${sentence} is closed by nothing`);
  assert.ok(row.person_id !== null, `${sentence} is closed by nobody (${kind})`);
  assert.equal(row.unit_id, world.unitId);
  // What was taken back, or told of another unit, was no defect; what a corrected figure undoes was none either.
  if (how === 'undone' || how === 'moved') return;
  assert.equal(row.timing, 'known', `${sentence} is closed by an entry of a time that nobody knows (${kind})`);
  assert.ok(!world.ofUnknownTime.has(row.entry_id ?? ''), `${sentence} is closed by a device whose clock nobody knows`);
  if (how === 'put-right' && kind === 'defect-closed')
    assert.ok(!WANTS_PROOF.includes(row.origin_kind), `${sentence} is put right by a tap`);
  assert.notEqual(row.stands, false, `${sentence} is closed by a check-in that does not stand`);
  const looked = row.began_at ?? at;
  assert.ok(
    looked >= row.seen_at,
    `${sentence} (seen ${row.seen_at.toISOString()}) is closed by what was seen before (${kind})`,
  );
  if (how === 'not-fitted' || how === 'lived-with') return;
  const worked = lastWorkOn(world, row, entries);
  assert.ok(
    worked === null || looked.toISOString() >= worked,
    `${sentence} is closed (${kind}, ${how}) by a look of ${looked.toISOString()} before the last work there, ${worked}`,
  );
}

/** When what its check looks at was last worked on, by what had arrived before the entry that ended it; null: never, or no check found it. */
function lastWorkOn(
  world: World,
  { origin_kind: origin, origin_id: id, entry_id: entryId }: Closing,
  entries: readonly Entry[],
) {
  if (origin !== 'check') return null;
  const system = checksOf(classOf(world.classId)).find((check) => check.id === id)?.system;
  if (system === undefined) return null;
  const before = entries.slice(
    0,
    entries.findIndex((entry) => entry.id === entryId),
  );
  const things = new Map<string, string | undefined>();
  let worked: string | null = null;
  for (const entry of before) {
    if (isOf(entry, 'taken-off') || isOf(entry, 'thing-changed')) things.set(entry.facts.thingId, entry.facts.system);
    const isWork =
      isOf(entry, 'taken-off') || isOf(entry, 'taken-off-again') || isOf(entry, 'put-back') || isOf(entry, 'replaced');
    if (isWork && things.get(entry.facts.thingId) === system && (worked === null || entry.at > worked))
      worked = entry.at;
  }
  return worked;
}

/** Never fit or out with an unanswered safety defect, a thing in the tray, a clock running, or work that is to be proved. */
async function mustBeWhole(world: World, readiness: string): Promise<void> {
  const hire = readiness === 'out' ? await world.hireOut() : undefined;
  // It left without anybody here handing it out: the promise excepts it, and it is warned of.
  if (hire?.left_anyway) return;
  const out = hire && (await handedOut(world, hire.id));
  const unsafe = await world.db
    .selectFrom('defect as d')
    .innerJoin('log_entry as l', 'l.id', 'd.found_by')
    .select('d.sentence')
    .where('d.unit_id', '=', world.unitId)
    .where('d.closed_at', 'is', null)
    .where('d.safety', '=', true)
    .$if(out !== undefined, (rows) =>
      rows.where('d.found_at', '<=', out?.at ?? world.now).where('l.place', '<', out?.place ?? 0),
    )
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
  if (readiness === 'fit') await mustBeDone(world);
}

/** Its hand-out, and where that stands in the log. */
const handedOut = (world: World, hireId: number) =>
  world.db
    .selectFrom('check_out as o')
    .innerJoin('log_entry as l', 'l.id', 'o.id')
    .select(['o.at', 'l.place'])
    .where('o.hire_id', '=', hireId)
    .executeTakeFirst();

/** No job that is begun asks a proof: by its own kind's needs, past what the program makes of them. */
async function mustBeDone(world: World): Promise<void> {
  const begun = await world.db
    .selectFrom('job')
    .select(['kind', 'title'])
    .where('unit_id', '=', world.unitId)
    .where('state', '=', 'open')
    .execute();
  const asking = begun.filter(({ kind }) => PROOF_NEEDS_OF.ofKind[kind].length > 0);
  assert.deepEqual(asking, [], 'fit with work begun that asks a proof');
}

/** A check-in ends only a hire that was handed out before it was begun; sent after a hand-out that it was begun before, it does not stand at all. */
async function hiresMustEndWell(world: World): Promise<void> {
  const ended = await world.db
    .selectFrom('check_in as c')
    .innerJoin('hire as h', 'h.id', 'c.hire_id')
    .select(['h.reference', 'h.out_at', 'c.began_at'])
    .where('c.unit_id', '=', world.unitId)
    .whereRef('c.began_at', '<', 'h.out_at')
    .execute();
  assert.deepEqual(ended, [], 'a hire is ended by a check-in that was begun before it');
  const late = await world.db
    .selectFrom('check_in as c')
    .innerJoin('log_entry as l', 'l.id', 'c.id')
    .innerJoin('check_out as o', 'o.unit_id', 'c.unit_id')
    .innerJoin('log_entry as m', 'm.id', 'o.id')
    .select(['c.began_at', 'o.at'])
    .where('c.unit_id', '=', world.unitId)
    .where('c.stands', '=', true)
    .whereRef('m.place', '<', 'l.place')
    .whereRef('c.began_at', '<', 'o.at')
    .execute();
  assert.deepEqual(late, [], 'a check-in stands that was begun before the hand-out');
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
