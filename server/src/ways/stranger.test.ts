import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import http from 'node:http';
import { describe, test } from 'node:test';
import { ROUTES } from '@hudrik/core/contracts';
import { sql } from 'kysely';
import { databaseOn, openPool } from '../database/open';
import { pathOf } from '../http/withoutSecrets';
import { addPerson } from '../people/people';
import { dropLoosePhotos } from '../photos/photos';
import { foundCheckIn, handOut, thingOff } from '../testing/samples';
import { Ways } from '../testing/ways';
import { jsonOf, useYard } from '../testing/yard';

/** Ways of strangers, of devices that should be out, and round the program to its records. */
describe('strangers', () => {
  const yard = useYard();
  const ways = new Ways(yard);

  describe('codes and secrets', () => {
    test('a device code is kept nowhere in clear, also not as the answer to a call that was asked for twice', async () => {
      const key = randomUUID();
      const make = () =>
        yard.ask('POST', '/api/device-codes', { as: 'lead', body: {}, headers: { 'idempotency-key': key } });
      const { code } = await jsonOf<{ code: string }>(await make());
      const again = await jsonOf<{ code: string }>(await make());
      assert.notEqual(again.code, code);
      const { rows } = await yard.pool.query<{ name: string }>(
        `select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
      );
      for (const { name } of rows) {
        const found = await yard.pool.query(`select 1 from "${name}" t where t::text ilike '%' || $1 || '%' limit 1`, [
          code,
        ]);
        assert.deepEqual([name, found.rowCount], [name, 0]);
      }
    });

    test('a calendar’s secret is not in what is logged of a call', () => {
      const path = ROUTES.ownCalendar.path.replace('{secret}', 'b7-very-secret.ics');
      for (const originalUrl of [path, path.toUpperCase(), `${path}?secret=1`])
        assert.doesNotMatch(pathOf({ originalUrl }), /secret/i);
      assert.equal(pathOf({ originalUrl: '/api/units?search=Borrowby' }), '/api/units');
    });
  });

  describe('event streams', () => {
    /** A stream, as a page has it open. Out: whether it has ended by itself, and how to leave it. */
    const listen = async (cookie: string) => {
      const stop = new AbortController();
      const answer = await fetch(`${yard.url}/api/events`, { headers: { cookie }, signal: stop.signal });
      assert.equal(answer.status, 200);
      let ended = false;
      const read = async () => {
        const reader = answer.body?.getReader();
        for (let part = await reader?.read(); part && !part.done; part = await reader?.read());
        ended = true;
      };
      void read().catch(() => undefined);
      return { hasEnded: () => ended, leave: () => stop.abort() };
    };
    const until = async (isSo: () => boolean): Promise<boolean> => {
      for (let n = 0; n < 100 && !isSo(); n++) await new Promise((resolve) => setTimeout(resolve, 20));
      return isSo();
    };
    let count = 0;
    /** Somebody who is signed in on a device of their own. */
    const signedIn = async () => {
      const device = await yard.letIn('A phone');
      const { id: personId } = await addPerson(yard.db, { name: `Hand ${count++}`, role: 'apprentice', pin: '12345' });
      const answer = await yard.ask('POST', '/api/session', {
        cookie: device.cookie,
        body: { personId, pin: '12345' },
      });
      const session = answer.headers.get('set-cookie')?.split(';')[0] ?? '';
      return { device, personId, cookie: `${device.cookie}; ${session}` };
    };

    test('ends at once when one signs out', async () => {
      const { cookie } = await signedIn();
      const stream = await listen(cookie);
      await fetch(`${yard.url}/api/session`, {
        method: 'DELETE',
        headers: { cookie, 'content-type': 'application/json' },
      });
      assert.ok(await until(stream.hasEnded));
    });

    test('and when its device is put out', async () => {
      const { device, cookie } = await signedIn();
      const stream = await listen(cookie);
      await yard.ask('DELETE', `/api/devices/${device.id}`, { as: 'lead', body: {} });
      assert.ok(await until(stream.hasEnded));
    });

    test('and when the PIN or the role of its person is changed, or they left the yard', async () => {
      for (const body of [{ pin: '246813' }, { role: 'counter' }, { left: true }] as const) {
        const { cookie, personId } = await signedIn();
        const stream = await listen(cookie);
        const changed = await yard.ask('PATCH', `/api/people/${personId}`, { as: 'lead', body });
        assert.equal(changed.status, 200);
        assert.ok(await until(stream.hasEnded), JSON.stringify(body));
      }
    });

    test('it goes on while nothing of that happens to them', async () => {
      const { cookie } = await signedIn();
      const stream = await listen(cookie);
      await yard.letIn('Another phone');
      await new Promise((resolve) => setTimeout(resolve, 150));
      assert.equal(stream.hasEnded(), false);
      stream.leave();
    });
  });

  describe('names and headers', () => {
    /** Asked by a name: what a page of another site that made its own name lead here asks by. */
    const asking = (host: string): Promise<{ readonly status: number; readonly code: string | undefined }> =>
      new Promise((resolve, reject) => {
        const { port } = new URL(yard.url);
        const request = http.get(
          { host: '127.0.0.1', port, path: '/api/sign-in-options', headers: { host } },
          (answer) => {
            let text = '';
            answer.on('data', (part) => (text += String(part)));
            answer.on('end', () =>
              resolve({ status: answer.statusCode ?? 0, code: (JSON.parse(text) as { code?: string }).code }),
            );
          },
        );
        request.on('error', reject);
      });

    test('by a name that the yard does not go by it answers nobody', async () => {
      for (const host of [
        'evil.example',
        'yard.test.evil.example',
        '169.254.169.254',
        'yard.test@evil.example',
        '[::2]',
      ])
        assert.deepEqual([host, await asking(host)], [host, { status: 421, code: 'wrong-host' }]);
      for (const host of ['127.0.0.1', 'localhost:80', 'yard.test', 'YARD.TEST:443', '[::1]:80'])
        assert.deepEqual([host, (await asking(host)).status], [host, 200]);
    });

    test('a page may use nothing of the machine but its camera', async () => {
      const answer = await yard.ask('GET', '/api/health');
      const policy = answer.headers.get('permissions-policy') ?? '';
      assert.match(policy, /geolocation=\(\)/);
      assert.match(policy, /microphone=\(\)/);
    });
  });

  describe('readiness is not the server’s to write', () => {
    const asServer = () => databaseOn(openPool(yard.appUrl, 2));
    const setFit = async (tag: string) => {
      const db = asServer();
      try {
        const unit = await db.selectFrom('unit').select('id').where('tag', '=', tag).executeTakeFirstOrThrow();
        await sql`select set_readiness(${unit.id}, 'fit', '{"readiness":"fit","because":[]}'::jsonb, now())`.execute(
          db,
        );
        return 'taken';
      } catch (error) {
        return error instanceof Error ? error.message : '';
      } finally {
        await db.destroy();
      }
    };

    test('its role writes none of the columns that are derived', async () => {
      await ways.fit('GE-01');
      const db = asServer();
      for (const set of [`readiness = 'fit'`, `readiness_verdict = '{}'`, `readiness_since = now()`])
        await assert.rejects(sql.raw(`update unit set ${set}`).execute(db), /permission denied/);
      await db.destroy();
    });

    test('“fit” is refused while SQL itself finds an open defect, a hire, a clock, a thing off or an unproved visit', async () => {
      await ways.fit('GE-02');
      assert.equal(await setFit('GE-02'), 'taken');
      await yard.checkIn(foundCheckIn('GE-02', 'generator', '100.5', { 'fuel-leak': 'hose' }));
      assert.match(await setFit('GE-02'), /an open defect/);
      await ways.fit('GE-03');
      const dueAt = new Date(yard.now.getTime() + 86_400_000).toISOString();
      await yard.enter({ tag: 'GE-03' }, 'check-out', handOut('generator', '100.5', { dueAt }), 'counter');
      assert.match(await setFit('GE-03'), /a hire/);
      for (const [tag, what] of [
        ['GE-04', 'clock'],
        ['GE-05', 'thing'],
      ] as const) {
        await ways.fit(tag);
        await yard.enter({ tag }, 'job-raised', {
          kind: 'prep',
          title: 'Wash it',
          minutes: 5,
          work: undefined,
          blocks: 'none',
        });
        const jobId = (await ways.page(tag)).jobs[0]?.id ?? '';
        if (what === 'clock')
          await yard.enter({ jobId }, 'clock-started', {
            clockId: randomUUID(),
            clock: 'glue',
            minutes: 60,
            stepId: null,
          });
        else await yard.enter({ jobId }, 'taken-off', thingOff('Cover'));
        assert.match(
          await setFit(tag),
          what === 'clock' ? /a running clock/ : /a visit that is not proved|a thing that is off/,
        );
      }
    });
  });

  describe('photos that hang on nothing', () => {
    test('are limited per person', async () => {
      await yard.db
        .insertInto('photo')
        .values(
          Array.from({ length: 120 }, () => ({
            ...{ id: randomUUID(), person_id: yard.personId('technician'), media_type: 'image/jpeg' as const },
            ...{ width: 8, height: 8, bytes: Buffer.from([1]), thumb: null, sent_hash: null, taken_at: yard.now },
          })),
        )
        .execute();
      await assert.rejects(ways.photo('technician'), /too-many-photos/);
      await ways.photo('lead');
    });

    test('are taken away after a day; what hangs on an entry stays', async () => {
      await ways.fit('GE-10');
      const kept = await ways.photo();
      await yard.enter(
        { tag: 'GE-10' },
        'not-fitted',
        { check: 'battery', why: 'Rope start', photoId: kept, source: 'Plate' },
        'lead',
      );
      const loose = await ways.photo();
      yard.later(25);
      assert.ok((await dropLoosePhotos({ db: yard.context.db, now: () => yard.now })) >= 1);
      const left = await yard.db.selectFrom('photo').select('id').where('id', 'in', [kept, loose]).execute();
      assert.deepEqual(left, [{ id: kept }]);
      // The person may send again.
      await ways.photo('technician');
    });
  });
});
