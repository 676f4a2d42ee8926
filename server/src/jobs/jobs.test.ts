import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import { cardOf } from '@hudrik/core/log';
import type { JobLine, UnitPage } from '@hudrik/core/contracts';
import type { Facts } from '@hudrik/core/log';
import { writingAny } from '../log/changeUnit';
import { cardIn, onCard, prove, signOff } from '../testing/proving';
import { entryIn, problemIn, useYard } from '../testing/yard';

describe('jobs', () => {
  const yard = useYard();
  const raise = async (tag: string, more: Partial<Facts<'job-raised'>> = {}): Promise<string> => {
    const facts = { kind: 'prep', title: 'Wash it', minutes: 15, blocks: 'prep', ...more } as const;
    return String((await entryIn(await yard.enter({ tag }, 'job-raised', facts, 'lead'))).outcome['jobId']);
  };
  const list = async (query = ''): Promise<readonly JobLine[]> =>
    (await yard.read<{ jobs: JobLine[] }>(`/api/jobs${query}`)).jobs;
  const page = (tag: string) => yard.read<UnitPage>(`/api/units/${tag}`);

  test('the open ones, of the yard or of one unit; all of them when asked', async () => {
    for (const tag of ['GE-01', 'GE-02']) await yard.addUnit(tag);
    const [first, second, third] = [
      await raise('GE-01'),
      await raise('GE-02'),
      await raise('GE-01', { title: 'Label' }),
    ];
    const ids = async (query = '') => (await list(query)).map((job) => job.id);
    assert.deepEqual(await ids(), [first, second, third]);
    assert.deepEqual(await ids('?tag=GE-01'), [first, third]);
    await signOff(yard, first ?? '');
    assert.deepEqual(await ids('?tag=GE-01'), [third]);
    assert.deepEqual(await ids('?state=all&tag=GE-01'), [first, third]);
    const [line] = await list('?state=all&tag=GE-01');
    assert.deepEqual([line?.state, line?.defects, line?.origins, line?.closedAt !== null], ['done', [], [], true]);
    const [open] = await list('?tag=GE-01');
    assert.deepEqual([open?.defects.map((defect) => defect.sentence), open?.closedAt], [['Label.'], null]);
  });

  test('of a service there is one at a time; work by hand is each its own', async () => {
    await yard.addUnit('GE-03');
    const service = { kind: 'service', title: 'Oil', minutes: 25, blocks: 'none', work: 'oil-service' } as const;
    const jobId = await raise('GE-03', service);
    const again = await problemIn(await yard.enter({ tag: 'GE-03' }, 'job-raised', service, 'lead'));
    assert.deepEqual([again.code, again.facts?.['jobId']], ['already-there', jobId]);
    await raise('GE-03');
    await raise('GE-03');
    assert.equal((await list('?tag=GE-03')).length, 3);
    assert.deepEqual(
      (await page('GE-03')).defects.map((defect) => defect.weight),
      ['prep', 'prep'],
    );
  });

  test('the hours to the next oil service start anew when the oil was changed, and not else', async () => {
    await yard.addUnit('GE-04', 'generator', 100);
    const { id: unitId } = await yard.db
      .selectFrom('unit')
      .select('id')
      .where('tag', '=', 'GE-04')
      .executeTakeFirstOrThrow();
    const changed = {
      item: 'engine-oil',
      true_hours: 40,
      plan_version: null,
      job_id: null,
      at: new Date('2029-01-01'),
    };
    await yard.db.transaction().execute((trx) =>
      writingAny(trx, () =>
        trx
          .insertInto('service_done')
          .values({ unit_id: unitId, ...changed })
          .execute(),
      ),
    );
    await assert.rejects(
      yard.db
        .insertInto('service_done')
        .values({ unit_id: unitId, ...changed })
        .execute(),
    );
    await assert.rejects(yard.db.deleteFrom('service_done').where('unit_id', '=', unitId).execute());
    const service = { kind: 'service', title: 'Oil', minutes: 25, blocks: 'none', work: 'oil-service' } as const;
    const left = async () => (await page('GE-04')).unit.hoursToOilService;
    assert.equal(await left(), -10);
    const stepOf = async (jobId: string, key: string): Promise<string> =>
      cardOf((await cardIn(yard, jobId)).entries).steps.find((step) => step.key === key)?.stepId ?? '';
    const untouched = await raise('GE-04', service);
    await yard.enter({ jobId: untouched }, 'job-started', {});
    const leftOut = { stepId: await stepOf(untouched, 'oil-in'), why: 'Changed last week' };
    await onCard(yard, untouched, 'step-dropped', leftOut);
    await prove(yard, untouched);
    assert.equal(await left(), -10);
    const { records } = await yard.read<{ records: { kind: string; outcome: { kept?: string } }[] }>(
      '/api/units/GE-04/history',
    );
    assert.match(
      records.find((record) => record.kind === 'job-finished')?.outcome.kept ?? '',
      /Engine oil: not ticked/,
    );
    const jobId = await raise('GE-04', service);
    await prove(yard, jobId);
    assert.equal(await left(), 50);
  });

  test('begun twice it is begun once, by whoever was first; ended, nothing more happens to it', async () => {
    await yard.addUnit('GE-05');
    const jobId = await raise('GE-05');
    await yard.enter({ jobId }, 'job-started', {}, 'apprentice');
    await yard.enter({ jobId }, 'job-started', {}, 'technician');
    assert.equal((await list('?tag=GE-05'))[0]?.startedBy, 'The apprentice');
    await signOff(yard, jobId);
    for (const answer of [
      await yard.enter({ jobId }, 'job-started', {}),
      await yard.enter({ jobId }, 'job-dropped', { why: 'Not needed' }),
      await yard.enter({ jobId }, 'job-finished', { note: '' }),
    ]) {
      const { code, facts } = await problemIn(answer);
      assert.deepEqual([code, facts?.['state']], ['job-closed', 'done']);
    }
    assert.equal((await problemIn(await yard.enter({ jobId: '999999' }, 'job-started', {}))).code, 'not-found');
  });

  test('what must run does not end with a look', async () => {
    await yard.addUnit('GE-06');
    for (const kind of ['repair', 'service', 'wake-up'] as const) {
      const jobId = await raise('GE-06', { kind, title: kind });
      assert.deepEqual((await problemIn(await signOff(yard, jobId))).code, 'not-proven');
    }
    for (const kind of ['prep', 'lay-up'] as const) {
      const jobId = await raise('GE-06', { kind, title: kind });
      assert.equal((await signOff(yard, jobId)).status, 201);
    }
  });

  test('it is not dropped as the last while a clock runs; then what it reserved goes back', async () => {
    await yard.addUnit('GE-07');
    const jobId = await raise('GE-07', { kind: 'repair' });
    await onCard(yard, jobId, 'clock-started', {
      clockId: '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0009',
      clock: 'drip-test',
      minutes: 120,
      stepId: null,
    });
    const drop = () => yard.enter({ jobId }, 'job-dropped', { why: 'Not needed' });
    assert.equal((await problemIn(await drop())).code, 'clock-runs');
    yard.later(2.1);
    const over = { clockId: '6f1f6a52-1f0e-4f5e-9a55-0c9b2f6f0009', result: 'dry', note: '' };
    await onCard(yard, jobId, 'clock-ended', over);
    assert.equal((await drop()).status, 201);
    const row = await yard.db.selectFrom('job').selectAll().where('id', '=', Number(jobId)).executeTakeFirstOrThrow();
    assert.deepEqual(
      [row.state, row.closed_by, row.closed_at, row.closed_with],
      ['dropped', yard.personId('technician'), yard.now, { why: 'Not needed' }],
    );
  });
});
