import { searchesIn } from '../bench/searches';
import { NO_SUMS } from '../sums/noSums';
import { randomUUID } from 'node:crypto';
import { TEARDOWNS } from '@hudrik/core/catalogue';
import { cardOf } from '@hudrik/core/log';
import type { Mark } from '@hudrik/core/teardown';
import sharp from 'sharp';
import { readCard } from '../cards/readCard';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Db } from '../database/tables';
import { importParts } from '../exchange/parts';
import { enterAs } from '../log/enterAs';
import { changeExchangePart } from '../parts/exchangeParts';
import { makeThumbnail, putPhoto } from '../photos/photos';
import { addStanding } from './standing';
import { changeModelPlan } from '../service/modelPlans';
import { PARTS_CSV } from './partsList';
import { NO_FEED } from '../outside/feed';
import { NO_READERS } from '../outside/readersPool';

const HOUR = 3_600_000;

/** What lies on the bench on the day of the demo: cards half done, a tray of things off, a clock that runs, a part on its way. */
export async function addWorkInHand(db: Db, now: Date): Promise<void> {
  const people = await db.selectFrom('person').select(['id', 'name', 'role']).execute();
  const actor = (name: string): Actor => {
    const found = people.find((person) => person.name === name);
    if (found === undefined) throw new Error(`Nobody is called ${name}`);
    return found;
  };
  const [lead, ivo, maren] = [actor('Runa Veldt'), actor('Ivo Tarnwell'), actor('Maren Askild')];
  const at = (hoursAgo: number): Context => ({
    db,
    now: () => new Date(now.getTime() - hoursAgo * HOUR),
    instruments: { open: async () => null },
    paper: { make: async () => Buffer.alloc(0) },
    sums: NO_SUMS,
    searches: searchesIn(db),
    desk: NO_FEED,
    equipment: NO_FEED,
    readers: NO_READERS,
  });
  await importParts(at(400), lead, PARTS_CSV);
  await lanternPlan(at(300), lead);
  await addStanding(at, lead);
  await stubbornGenerator(at, ivo);
  await pumpSeals(at, maren);
  await guardGlue(at, maren);
}

/** What the makers of the Lantern say of its service, with the kit that it takes. */
async function lanternPlan(context: Context, lead: Actor): Promise<void> {
  const models = await context.db.selectFrom('model').select('id').where('name', 'like', 'Lantern%').execute();
  const items = [{ id: 'engine-oil', hours: 50, kit: 'TV-9000' }];
  for (const { id } of models)
    await changeModelPlan(context, lead, id, { plan: { severity: 1, anchorMonth: null, items } });
}

type At = (hoursAgo: number) => Context;

const jobOf = async (db: Db, tag: string, work: string): Promise<string> =>
  String(
    (
      await db
        .selectFrom('job as j')
        .innerJoin('unit as u', 'u.id', 'j.unit_id')
        .select('j.id')
        .where('u.tag', '=', tag)
        .where('j.work', '=', work)
        .where('j.closed_at', 'is', null)
        .executeTakeFirstOrThrow()
    ).id,
  );

/** The comeback: a cause confirmed at last, the carburettor off in a tray with photos, waiting for a part that is late. */
async function stubbornGenerator(at: At, who: Actor): Promise<void> {
  const early = at(6);
  const jobId = await jobOf(early.db, 'GE-07', 'find-fault');
  const findingId = randomUUID();
  await enterAs(early, who, { id: findingId, tag: 'GE-07' }, 'finding-opened', { machine: { engine: {}, past: {} } });
  for (const [observation, outcome] of [
    ['spark-inline', 'steady'],
    ['bowl-drain', 'clean-full'],
    ['main-jet', 'blocked'],
  ] as const)
    await enterAs(early, who, { findingId }, 'seen', { observation, outcomes: [outcome], reading: null });
  await enterAs(at(5.5), who, { findingId }, 'causes-confirmed', {
    causes: ['main-jet-blocked'],
    note: 'Green at the bottom of the jet',
  });
  await enterAs(at(5.2), who, { tag: 'GE-07' }, 'standing-note', {
    text: 'Left bolt of the shroud turns with its insert: leave it.',
    places: ['card'],
  });
  await enterAs(at(5), who, { jobId }, 'hands-on', {});
  await enterAs(at(5), who, { jobId }, 'teardown-begun', { teardown: 'carburettor-off' });
  for (const [n, thing] of TEARDOWNS['carburettor-off'].things.slice(0, 7).entries()) {
    const thingId = randomUUID();
    const context = at(4.8 - n * 0.15);
    await enterAs(context, who, { jobId }, 'taken-off', {
      thingId,
      what: thing.what,
      key: thing.key,
      tray: 'A',
      // The bowl, off for the look, lies in the first hole.
      place: n + 2,
      fasteners: [...(thing.fasteners ?? [])],
      orientation: n === 0 ? 'Drain hole down' : '',
      linkHole: thing.key === 'governor-link' ? '2 of 3, from below' : thing.key === 'choke-link' ? 'upper' : '',
      stack: thing.key === 'gasket-stack' ? ['gasket', 'insulator', 'gasket', 'shield'] : [],
      quarterTurns: thing.key === 'carburettor' ? 7 : null,
    });
    const photoId = randomUUID();
    await putPhoto(context, who, photoId, await drawing(n), null);
    await makeThumbnail(context, photoId);
    await enterAs(context, who, { jobId }, 'photo', { photoId, marks: [...MARKS], stepId: null, thingId });
  }
  await enterAs(at(3.6), who, { jobId }, 'hands-off', {});
  const late = at(3.5);
  const lineId = randomUUID();
  await enterAs(late, who, { jobId }, 'part-asked', { lineId, number: 'TV-1180', count: 1 });
  await orderThatIsLate(late, who, lineId);
  await enterAs(at(3.4), who, { jobId }, 'paused', { for: 'part', why: 'Gasket torn' });
  await enterAs(at(3), who, { jobId, id: EXCHANGE }, 'part-kept', {
    name: 'Carburettor, Lantern 5',
    number: 'TV-2040',
    place: 'Box 4',
  });
  await changeExchangePart(at(2), who, EXCHANGE, 'cleaned');
}

/** An order that the supplier has taken, and is late with. */
async function orderThatIsLate({ db, now }: Context, who: Actor, lineId: string): Promise<void> {
  const id = randomUUID();
  await inTransaction(db, async (trx) => {
    await trx
      .insertInto('part_order')
      .values({
        id,
        state: 'placed',
        supplier_ref: 'S-40418',
        placed_at: now(),
        asked_at: new Date(),
        expected_at: new Date(now().getTime() + 26 * HOUR),
        late: true,
        problem: null,
        tries: 1,
        cents: 790,
        person_id: who.id,
        made_at: now(),
      })
      .execute();
    await trx.updateTable('part_line').set({ state: 'ordered', order_id: id }).where('id', '=', lineId).execute();
  });
}

const EXCHANGE = '5b1c7f0e-3c43-4f0c-9a55-0e4d7c2f6a11';

/** Pump seals, half done: steps ticked, a note, hands on now. */
async function pumpSeals(at: At, who: Actor): Promise<void> {
  const jobId = await jobOf(at(0).db, 'PW-12', 'pump-seals');
  await enterAs(at(2), who, { jobId }, 'hands-on', {});
  await enterAs(at(1.9), who, { jobId }, 'note', {
    text: 'Water got past both low-pressure seals; plungers are smooth.',
    stepId: null,
  });
  const { entries } = await readCard(at(1.8), jobId);
  const [first] = cardOf(entries).steps;
  if (first) await enterAs(at(1.8), who, { jobId }, 'step-done', { stepId: first.stepId });
  await enterAs(at(1.7), who, { jobId }, 'part-asked', { lineId: randomUUID(), number: 'QW-310', count: 1 });
  await enterAs(at(1.2), who, { jobId }, 'hands-off', {});
}

/** A glued guard that sets while other work goes on. */
async function guardGlue(at: At, who: Actor): Promise<void> {
  const jobId = await jobOf(at(0).db, 'SN-12', 'dead-man-cable-auger-brake');
  await enterAs(at(0.4), who, { jobId }, 'clock-started', {
    clockId: randomUUID(),
    clock: 'glue',
    minutes: 60,
    stepId: null,
  });
}

const MARKS: readonly Mark[] = [
  { kind: 'arrow', from: [0.2, 0.25], to: [0.42, 0.45] },
  { kind: 'circle', at: [0.62, 0.55], radius: 0.1 },
  { kind: 'number', at: [0.75, 0.3], number: 1 },
];

/** A photo of the demo: drawn, since the demo has no machines to photograph. */
const drawing = (n: number): Promise<Buffer> => {
  const turn = n * 17;
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="900"><defs><linearGradient id="b" x1="0" y1="0" x2="1" y2="1"><stop offset="0" stop-color="#9aa39c"/><stop offset="1" stop-color="#5d665f"/></linearGradient><linearGradient id="m" x1="0" y1="0" x2="0" y2="1"><stop offset="0" stop-color="#d9dad4"/><stop offset="0.5" stop-color="#a7aaa3"/><stop offset="1" stop-color="#777b74"/></linearGradient></defs><rect width="1200" height="900" fill="url(#b)"/><g transform="translate(600 470) rotate(${(turn % 40) - 20})"><rect x="-300" y="-150" width="600" height="300" rx="46" fill="url(#m)" stroke="#3a3f3a" stroke-width="6"/><circle cx="-120" cy="0" r="${90 + n * 4}" fill="#2c302c"/><circle cx="-120" cy="0" r="${58 + n * 3}" fill="#4b514b"/><rect x="90" y="-250" width="80" height="160" rx="14" fill="#8b6d36" stroke="#3a3f3a" stroke-width="5"/><circle cx="210" cy="90" r="26" fill="#c9c9bf" stroke="#3a3f3a" stroke-width="5"/><circle cx="210" cy="-90" r="26" fill="#c9c9bf" stroke="#3a3f3a" stroke-width="5"/><path d="M-300 60 C -420 90 -430 ${180 + n * 10} -360 260" fill="none" stroke="#1d1f1d" stroke-width="34"/></g></svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 78 }).toBuffer();
};
