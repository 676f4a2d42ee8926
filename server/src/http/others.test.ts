import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { before, describe, test } from 'node:test';
import { OPERATIONS, ROLES, type Operation, type OperationId, type Role } from '@hudrik/core/contracts';
import { entriesOf } from '@hudrik/core/typed';
import sharp from 'sharp';
import { contentsOf, differences, tablesOf } from '../backups/contents';
import { OF_ALL } from './reading';
import { wellCheckIn } from '../testing/samples';
import { entryIn, jsonOf, problemIn, useYard } from '../testing/yard';

const yard = useYard();
/** Written down whoever asks: not what this is about. */
const SEEN = { device: { seen_at: null }, session: { seen_at: null }, person: { pin_is_short: null } };

/** What is there, by how paths to it begin. */
const there: Record<string, string> = {};
const pathOf = (path: string): string =>
  path.replace(/^(\/api\/(?:fuel\/)?[\w-]+\/)\{\w+\}/, (_all, start: string) => `${start}${there[start] ?? '1'}`);

async function holdings() {
  return yard.db.transaction().execute(async (trx) => contentsOf(trx, await tablesOf(trx), SEEN));
}

async function fill(): Promise<void> {
  await yard.addUnit('GE-01');
  const [technician, lead] = [yard.personId('technician'), yard.personId('lead')];
  const job = await entryIn(
    await yard.enter({ tag: 'GE-01' }, 'job-raised', { kind: 'repair', title: 'Brushes', minutes: 30, blocks: 'hold' }),
  );
  const finding = await entryIn(
    await yard.enter({ tag: 'GE-01' }, 'finding-opened', { machine: { engine: {}, past: {} } }),
  );
  const partId = randomUUID();
  await yard.enter({ id: partId, jobId: String(job.jobId) }, 'part-kept', {
    name: 'Rotor',
    number: 'TV-1',
    place: 'Box',
  });
  const checkIn = wellCheckIn('GE-01', 'generator', '100.5', { startedAt: yard.now.toISOString() });
  await yard.checkIn(checkIn);
  const photoId = randomUUID();
  const raw = await sharp({ create: { width: 4, height: 4, channels: 3, background: '#333' } })
    .jpeg()
    .toBuffer();
  await yard.ask('PUT', `/api/photos/${photoId}`, { as: 'lead', raw, headers: { 'content-type': 'image/jpeg' } });
  await yard.ask('POST', '/api/absences', {
    as: 'lead',
    body: { personId: technician, fromOn: '2031-01-01', toOn: '2031-01-02', why: 'Own' },
  });
  const at = (days: number) => new Date(yard.now.getTime() + days * 86_400_000).toISOString();
  await yard.book({ reference: 'H-1', classId: 'generator', tag: 'GE-01', fromAt: at(30), toAt: at(31) });
  const can = { name: 'Red can', fuel: 'petrol-e10', litresMax: 20, litres: 10, boughtAt: yard.now.toISOString() };
  await yard.ask('POST', '/api/fuel/cans', { as: 'lead', body: can });
  const one = async (table: 'absence' | 'fuel_can' | 'model'): Promise<string> =>
    String((await yard.db.selectFrom(table).select('id').limit(1).executeTakeFirst())?.id ?? '1');
  const sessions = await yard.db.selectFrom('session').select('id').where('person_id', '=', lead).execute();
  Object.assign(there, {
    '/api/units/': 'GE-01',
    '/api/jobs/': String(job.jobId),
    '/api/findings/': finding.id,
    '/api/exchange-parts/': partId,
    '/api/check-ins/': checkIn.id,
    '/api/photos/': photoId,
    '/api/absences/': await one('absence'),
    '/api/fuel/cans/': await one('fuel_can'),
    '/api/models/': await one('model'),
    '/api/hires/': 'H-1',
    '/api/seasons/': 'generator',
    '/api/devices/': String(yard.device.id),
    '/api/sessions/': String(sessions[0]?.id),
    '/api/people/': String(lead),
    '/api/bench/': String(technician),
    '/api/working-hours/': String(technician),
  });
}

describe('what is there and belongs to others', () => {
  before(fill);
  const named = entriesOf<OperationId, Operation>(OPERATIONS).filter(([, { path }]) => path.includes('{'));

  test('is there: whoever may reads each of it', async () => {
    const reads = named.filter(
      ([id, { method }]) => method === 'get' && !['live', 'ownCalendar', 'quotePart', 'trouble'].includes(id),
    );
    for (const [id, { path }] of reads) {
      const { status } = await yard.ask('GET', pathOf(path), { as: 'lead' });
      assert.ok(status < 300 || (id === 'photoThumb' && status === 404), `${id}: ${status} ${pathOf(path)}`);
    }
  });

  test('is changed, ended or read by no role that may not, and nothing moves', async () => {
    const was = await holdings();
    let asked = 0;
    for (const [id, { method, path, who }] of named) {
      if (typeof who === 'string') continue;
      for (const role of ROLES.filter((one) => !who.includes(one))) {
        const answer = await yard.ask(method.toUpperCase(), pathOf(path), {
          as: role,
          headers: { 'If-Match': '"1"' },
          ...(method === 'get' ? {} : { body: {} }),
        });
        assert.deepEqual([answer.status, (await problemIn(answer)).code], [403, 'not-your-role'], `${id} as ${role}`);
        asked++;
      }
    }
    assert.ok(asked > 40, String(asked));
    assert.deepEqual(differences(was, await holdings()), []);
  });

  test('what is read once for many is the same for each of them', async () => {
    for (const id of OF_ALL) {
      const { path: pattern, who } = OPERATIONS[id] as Operation;
      const path = pathOf(pattern);
      const roles = ROLES.filter((role) => who.includes(role));
      const texts = await Promise.all(roles.map(async (as) => (await yard.ask('GET', path, { as })).text()));
      assert.ok(texts.length > 1 && (texts[0]?.length ?? 0) > 20, id);
      assert.equal(new Set(texts).size, 1, id);
      const apart: string[] = [];
      for (const as of roles) apart.push(await (await yard.ask('GET', path, { as })).text());
      assert.equal(new Set(apart).size, 1, `${id}, one after the other`);
    }
  });

  test('sessions, PINs, calendars and entries are one’s own', async () => {
    const was = await holdings();
    const roles: readonly Role[] = ['apprentice', 'technician', 'counter'];
    for (const as of roles) {
      assert.equal((await yard.ask('DELETE', pathOf('/api/sessions/{id}'), { as })).status, 404, as);
      const wrong = await yard.ask('PUT', '/api/session/pin', { as, body: { old: '00000', fresh: '471183' } });
      assert.equal(wrong.status, 401, as);
      const madeBy = yard.personId('lead');
      const note = { id: randomUUID(), kind: 'note', tag: 'GE-01', facts: { text: 'In the lead’s name' }, madeBy };
      assert.equal((await yard.ask('POST', '/api/log', { as, body: note })).status, 403, as);
    }
    // A wrong PIN is counted, of oneself.
    const moved = differences(was, await holdings()).map((line) => line.split(/[: ]/)[0]);
    assert.deepEqual(
      moved.filter((table) => !['pin_try', 'wrong_pin'].includes(table ?? '')),
      [],
    );
    const secretOf = async (as: Role) =>
      (await jsonOf<{ secret?: string; url?: string }>(await yard.ask('GET', '/api/session/calendar', { as }))) ?? {};
    const [own, other] = [await secretOf('technician'), await secretOf('lead')];
    assert.notDeepEqual(own, other);
  });
});
