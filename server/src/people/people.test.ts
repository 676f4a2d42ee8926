import assert from 'node:assert/strict';
import { describe, test } from 'node:test';
import type { Role } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { Refusal } from '../refusal';
import { addPerson, personById } from './people';
import { noteSeen, whoAsks } from './whoAsks';
import { readSignInOptions, signIn, personOfToken, signOut } from './sessions';
import { problemIn, useYard } from '../testing/yard';

describe('people', () => {
  const yard = useYard();
  interface Line {
    readonly id: number;
    readonly name: string;
    readonly role: Role;
    readonly leftAt: string | null;
  }
  const people = async (): Promise<readonly Line[]> =>
    (await yard.read<{ people: Line[] }>('/api/people', 'lead')).people;
  /** Signs in at the tests' device; what is refused is thrown. */
  const signInOn = async (context: Pick<Context, 'db' | 'now'>, personId: number, pin: string) => {
    const signed = await signIn(context, { personId, pin, device: { id: yard.device.id, name: 'The bench PC' } });
    if (signed instanceof Refusal) throw signed;
    return signed;
  };
  const change = (id: number, body: object) => yard.ask('PATCH', `/api/people/${id}`, { as: 'lead', body });

  test('by name, who has left last, with when', async () => {
    const { id } = await addPerson(yard.db, { name: 'Aaa', role: 'technician', pin: '12345' });
    assert.equal((await change(id, { left: true })).status, 200);
    const all = await people();
    assert.deepEqual(
      all.map((person) => [person.name, person.leftAt]),
      [
        ['The apprentice', null],
        ['The counter', null],
        ['The lead', null],
        ['The technician', null],
        ['Aaa', yard.now.toISOString()],
      ],
    );
    assert.equal((await change(id, { left: false })).status, 200);
    assert.equal((await people())[0]?.leftAt, null);
    assert.equal((await change(99_999, { left: true })).status, 404);
  });

  test('a name is one person’s', async () => {
    await assert.rejects(addPerson(yard.db, { name: 'The lead', role: 'counter', pin: '12345' }), /already-there/);
  });

  test('there is always a lead: the last neither leaves nor becomes something else; with two, one may', async () => {
    const lead = yard.personId('lead');
    for (const body of [{ left: true }, { role: 'technician' }, { left: true, role: 'lead' }])
      assert.equal((await problemIn(await change(lead, body))).code, 'last-lead');
    assert.equal((await change(lead, { pin: '543217' })).status, 200);
    await yard.db
      .updateTable('person')
      .set({
        pin_hash: (
          await yard.db
            .selectFrom('person')
            .select('pin_hash')
            .where('name', '=', 'The counter')
            .executeTakeFirstOrThrow()
        ).pin_hash,
      })
      .where('id', '=', lead)
      .execute();
    await yard.signInAgain();
    const other = yard.personId('technician');
    assert.equal((await change(other, { role: 'lead' })).status, 200);
    assert.equal((await change(other, { role: 'technician' })).status, 200);
  });

  test('a new PIN and leaving sign out everywhere; another role does not', async () => {
    const context = { db: yard.db, now: () => yard.now };
    const { id } = await addPerson(yard.db, { name: 'Bbb', role: 'technician', pin: '11111' });
    const isIn = async (token: string) => (await personOfToken(context, token, yard.device.id)) !== null;
    const { token } = await signInOn(context, id, '11111');
    assert.equal(await isIn(token), true);
    await change(id, { role: 'apprentice' });
    assert.equal(await isIn(token), true);
    await change(id, { pin: '471183' });
    assert.equal(await isIn(token), false);
    await assert.rejects(signInOn(context, id, '11111'));
    const again = await signInOn(context, id, '471183');
    await change(id, { left: true });
    assert.equal(await isIn(again.token), false);
    await assert.rejects(signInOn(context, id, '471183'));
    assert.equal(await personById(yard.db, id), undefined);
    await assert.rejects(signInOn(context, 99_999, '471183'));
  });

  test('a session ends at its time, and when it is signed out', async () => {
    const context = (ms: number) => ({ db: yard.db, now: () => new Date(yard.now.getTime() + ms) });
    const DAY = 86_400_000;
    const { token } = await signInOn(context(0), yard.personId('counter'), '12345');
    assert.ok(await personOfToken(context(14 * DAY - 1), token, yard.device.id));
    assert.equal(await personOfToken(context(14 * DAY), token, yard.device.id), null);
    // So it is for every request, which asks for device and person at once.
    const key = yard.device.cookie.replace('hudrik_device=', '');
    assert.equal((await whoAsks(context(14 * DAY - 1), key, token)).person?.name, 'The counter');
    const { device, person } = await whoAsks(context(14 * DAY), key, token);
    assert.deepEqual([device?.id, person], [yard.device.id, null]);
    assert.equal((await whoAsks(context(0), key, null)).person, null);
    assert.equal((await whoAsks(context(0), 'another', token)).device, null);
    // Seen is written down once a minute.
    const { unseen } = await whoAsks(context(61_000), key, token);
    assert.equal(unseen.deviceId, yard.device.id);
    await noteSeen(context(61_000), unseen);
    assert.deepEqual((await whoAsks(context(100_000), key, token)).unseen, {
      deviceId: null,
      sessionId: null,
      waits: null,
    });
    await signOut(context(0), token);
    assert.equal(await personOfToken(context(0), token, yard.device.id), null);
  });

  test('the sign-in shows who is here; their PINs in the demo alone, and only those that it made', async () => {
    await addPerson(yard.db, { name: 'Ccc', role: 'counter', pin: '12345', demoPin: '12345' });
    const shown = async (demo: boolean) => (await readSignInOptions(yard.context, demo, true)).people;
    assert.ok(!(await shown(false)).some((person) => 'demoPin' in person));
    const withPin = (await shown(true)).filter((person) => 'demoPin' in person);
    assert.deepEqual(
      withPin.map((person) => [person.name, person.demoPin]),
      [['Ccc', '12345']],
    );
    assert.ok(!(await shown(true)).some((person) => person.name === 'Bbb'));
    const options = await readSignInOptions(yard.context, true, true);
    assert.deepEqual([options.wantsFirstLead, options.demo], [false, true]);
  });

  test('a person’s units and light are theirs; what is none is the usual one', async () => {
    const me = () => yard.read<{ preferences: object }>('/api/session', 'technician');
    assert.deepEqual((await me()).preferences, { units: 'inch', theme: 'system' });
    await yard.db
      .updateTable('person')
      .set({ preferences: JSON.stringify({ units: 'metric', theme: 'dark' }) })
      .where('id', '=', yard.personId('technician'))
      .execute();
    assert.deepEqual((await me()).preferences, { units: 'metric', theme: 'dark' });
    await yard.db
      .updateTable('person')
      .set({ preferences: JSON.stringify({ units: 'ells', theme: 'pink' }) })
      .where('id', '=', yard.personId('technician'))
      .execute();
    assert.deepEqual((await me()).preferences, { units: 'inch', theme: 'system' });
  });
});
