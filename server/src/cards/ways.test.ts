import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { describe, test } from 'node:test';
import { sql } from 'kysely';
import { MONEY } from '@hudrik/core/catalogue';
import type { WaysReply } from '@hudrik/core/contracts';
import { prove } from '../testing/proving';
import { foundCheckIn } from '../testing/samples';
import { entryIn, useYard } from '../testing/yard';

describe('the reckoning of a yard', () => {
  const yard = useYard();
  const jobOn = async (tag: string, found: Record<string, string> = { exhaust: 'loose' }): Promise<string> => {
    await yard.addUnit(tag);
    await yard.checkIn(foundCheckIn(tag, 'generator', '101.0', found));
    const { jobs } = await yard.read<{ jobs: { id: string }[] }>(`/api/jobs?tag=${tag}`, 'technician');
    return jobs[0]?.id ?? '';
  };
  const confirm = async (tag: string, causes: readonly string[]): Promise<string> => {
    const id = randomUUID();
    await entryIn(await yard.enter({ id, tag }, 'finding-opened', { machine: { engine: {}, past: {} } }));
    const reply = await yard.enter({ findingId: id }, 'causes-confirmed', { causes: [...causes], note: '' } as never);
    await entryIn(reply);
    const row = await yard.db.selectFrom('finding').select('job_id').where('id', '=', id).executeTakeFirstOrThrow();
    return String(row.job_id);
  };
  const waysOf = (jobId: string, query = '') => yard.read<WaysReply>(`/api/jobs/${jobId}/ways${query}`, 'technician');
  const lineOf = (ways: WaysReply, name: string) => ways.basis.find((line) => line.name.startsWith(name));

  test('without a known cause: finding it or letting it go, and nothing to replace', async () => {
    const ways = await waysOf(await jobOn('GE-51'));
    assert.deepEqual(ways.ways.map(({ way }) => way).sort(), ['find', 'retire']);
    assert.deepEqual(ways.causes, []);
    const find = ways.ways.find(({ way }) => way === 'find');
    assert.ok((find?.handsCents ?? 0) > 0);
    assert.ok((find?.lowCents ?? 0) < (find?.highCents ?? 0));
    for (const { whence } of ways.basis) assert.match(whence, /\w{4}/);
  });

  test('the rival repairs of a confirmed cause are priced; mending a blocked jet beats a new carburettor', async () => {
    await yard.addUnit('GE-52');
    const jobId = await confirm('GE-52', ['main-jet-blocked']);
    const { ways, flips } = await waysOf(jobId);
    assert.deepEqual(ways.map(({ title }) => title).sort(), [
      'Another engine',
      'Clear the main jet',
      'Let it go',
      'Replace the carburettor',
      'Strip and bath the carburettor',
    ]);
    assert.equal(ways[0]?.title, 'Clear the main jet');
    // Eight minutes are worth trying whatever the figures are.
    assert.deepEqual(flips, []);
    // The state of the old part counts against mending it.
    const broken = (await waysOf(jobId, '?state=broken')).ways;
    assert.equal(broken[0]?.title, 'Replace the carburettor');
    assert.deepEqual(await waysOf(jobId), await waysOf(jobId));
  });

  test('worn rings turn on what an engine costs, and the answer says at what price', async () => {
    await yard.addUnit('GE-55');
    const jobId = await confirm('GE-55', ['rings-worn']);
    const { ways, flips } = await waysOf(jobId);
    assert.ok(flips.length > 0);
    assert.ok(flips.every((flip) => flip.title !== ways[0]?.title && flip.at !== flip.now));
    const far = flips.map(({ now, at }) => Math.abs(Math.log(at / now)));
    assert.deepEqual(
      far,
      [...far].sort((a, b) => a - b),
    );
  });

  test('what else stands open against the unit is counted against keeping it', async () => {
    await yard.addUnit('GE-53');
    const jobId = await confirm('GE-53', ['main-jet-blocked']);
    const before = await waysOf(jobId);
    assert.equal(lineOf(before, 'Stands open besides')?.value, 0);
    await yard.checkIn(foundCheckIn('GE-53', 'generator', '101.0', { exhaust: 'loose', volts: 'low' }));
    const after = await waysOf(jobId);
    const open = lineOf(after, 'Stands open besides')?.value ?? 0;
    assert.ok(open > 0);
    const keep = (ways: WaysReply) => ways.ways.find(({ title }) => title === 'Clear the main jet')?.costCents ?? 0;
    assert.ok(keep(after) > keep(before));
  });

  test('days lost come from what is booked; with nothing booked or known the default counts, and says so', async () => {
    await yard.addUnit('WE-51', 'welder');
    await yard.checkIn(foundCheckIn('WE-51', 'welder', '101.0', { exhaust: 'loose' }));
    const { jobs } = await yard.read<{ jobs: { id: string }[] }>('/api/jobs?tag=WE-51', 'technician');
    const id = jobs[0]?.id ?? '';
    const share = async () => lineOf(await waysOf(id), 'Share of days');
    assert.deepEqual([(await share())?.value, (await share())?.whence], [MONEY.shareOut.value, 'Our judgement.']);
    const day = 86_400_000;
    const at = (days: number) => new Date(yard.now.getTime() + days * day).toISOString();
    await yard.db
      .insertInto('hire')
      .values({ reference: 'B-9001', class_id: 'welder', unit_id: null, from_at: at(2), to_at: at(9) })
      .execute();
    // One welder, booked on 7 of the next 14 days.
    const booked = await share();
    assert.ok(Math.abs((booked?.value ?? 0) - 0.5) < 1e-6);
    assert.match(booked?.whence ?? '', /own bookings/);
  });

  test('days lost come from the season: out at this time last year', async () => {
    await yard.addUnit('TI-51', 'tiller');
    await yard.checkIn(foundCheckIn('TI-51', 'tiller', '101.0', { exhaust: 'loose' }));
    const { jobs } = await yard.read<{ jobs: { id: string }[] }>('/api/jobs?tag=TI-51', 'technician');
    const unit = await yard.db.selectFrom('unit').select('id').where('tag', '=', 'TI-51').executeTakeFirstOrThrow();
    const at = (days: number) => new Date(yard.now.getTime() + days * 86_400_000).toISOString();
    const hire = (reference: string, from: number, to: number) =>
      yard.db
        .insertInto('hire')
        .values({
          reference,
          class_id: 'tiller',
          unit_id: unit.id,
          from_at: at(from),
          to_at: at(to),
          out_at: at(from),
          ended_at: at(to),
          back_at: at(to),
          state: 'ended',
        })
        .execute();
    await hire('B-9101', -700, -699);
    await hire('B-9102', -365 - 21, -365);
    const share = lineOf(await waysOf(jobs[0]?.id ?? ''), 'Share of days')?.value ?? 0;
    assert.ok(Math.abs(share - 0.5) < 0.01, String(share));
    // More is booked than went out then: the more of the two counts.
    await yard.db
      .insertInto('hire')
      .values({ reference: 'B-9103', class_id: 'tiller', unit_id: null, from_at: at(0), to_at: at(14) })
      .execute();
    assert.equal(lineOf(await waysOf(jobs[0]?.id ?? ''), 'Share of days')?.value, 1);
  });

  test('the yard’s own proven visits move the odds of a comeback, shrunk to the built-in ones', async () => {
    await yard.addUnit('GE-54');
    const jobId = await confirm('GE-54', ['coil-failed']);
    const comeback = async () => lineOf(await waysOf(jobId), 'Odds that it comes back');
    assert.equal((await comeback())?.value, MONEY.comeback.replace.value);
    const unit = await yard.db.selectFrom('unit').select('id').where('tag', '=', 'GE-54').executeTakeFirstOrThrow();
    const person = await yard.db.selectFrom('person').select('id').executeTakeFirstOrThrow();
    const machine = JSON.stringify({ classId: 'generator', engine: {}, past: {} });
    for (const daysAgo of [60, 50, 40]) {
      const at = new Date(yard.now.getTime() - daysAgo * 86_400_000);
      const id = randomUUID();
      await yard.db.transaction().execute(async (trx) => {
        await sql`select set_config('hudrik.unit', 'any', true)`.execute(trx);
        await trx
          .insertInto('finding')
          .values({
            id,
            unit_id: unit.id,
            machine,
            opened_at: at,
            opened_by: person.id,
            closed_at: at,
            causes: ['coil-failed'],
          } as never)
          .execute();
      });
      await yard.db
        .insertInto('proven_cause')
        .values({ finding_id: id, class_id: 'generator', family: 'any', faults: ['coil-failed'], at })
        .execute();
    }
    // Three cases, two of which came back within ten days: by hand (0.05 × 20 + 2) / 23.
    const now = await comeback();
    assert.ok(Math.abs((now?.value ?? 0) - (0.05 * 20 + 2) / 23) < 1e-9, JSON.stringify(now));
    assert.match(now?.whence ?? '', /own proven visits; 2 of 3 here/);
  });

  test('a proof that failed moves the odds that a confirmed cause was not it; one that passed moves them the other way', async () => {
    await yard.addUnit('GE-56');
    const jobId = await confirm('GE-56', ['rings-worn']);
    const wrong = async () => lineOf(await waysOf(jobId), 'Odds that the cause is another');
    const by = (cases: number, came: number) =>
      (MONEY.wrong.value * MONEY.wrongWorth.value + came) / (MONEY.wrongWorth.value + cases);
    assert.equal((await wrong())?.value, by(0, 0));
    for (const [tag, passed] of [
      ['GE-57', true],
      ['GE-58', false],
    ] as const) {
      await yard.addUnit(tag);
      const proved = await prove(yard, await confirm(tag, ['plug-fouled']), { passed });
      assert.equal(proved.status, 201);
    }
    assert.ok(Math.abs(((await wrong())?.value ?? 0) - by(2, 1)) < 1e-9, JSON.stringify(await wrong()));
    assert.match((await wrong())?.whence ?? '', /own proven visits; 1 of 2 here/);
  });
});
