import { randomUUID } from 'node:crypto';
import { performance } from 'node:perf_hooks';
import { CLASS_IDS } from '@hudrik/core/catalogue';
import type { Facts, SentKind } from '@hudrik/core/log';
import { sql } from 'kysely';
import sharp from 'sharp';
import { newestCheckInId } from '../checkins/opening';
import { readCard } from '../cards/readCard';
import type { Actor } from '../context';
import type { Db } from '../database/tables';
import { loadDemo } from '../demo/load';
import { lastReading } from '../fleet/meters';
import { readUnits } from '../fleet/unitLines';
import { readHistory } from '../log/readLog';
import { takeEntry } from '../log/takeEntry';
import { makeThumbnail, putPhoto, readThumb } from '../photos/photos';
import { openBench } from '../testing/benchContext';
import { thingOff, wellCheckIn } from '../testing/samples';

/**
 * The store at size: 5,000 units, 40,000 check-ins, 1,000,000 entries in the log from the demo's own generator. Each read is set
 * against one plain SQL statement that reads the same rows, in the same run.
 */
const TIMES = 84;
const RUNS = 200;
/** A large card: ledger lines, photos, and how often it is opened. */
const LINES = 200;
const PHOTOS = 60;
const OPENINGS = 30;
const NOWHERE = { tag: null, jobId: null, findingId: null, lineId: null };

const { db, context } = await openBench();
const began = performance.now();
await loadDemo(db, new Date(), { times: TIMES, days: 210, gapDays: 16, notesPerHire: 22 });
console.log(`loaded in ${Math.round((performance.now() - began) / 1000)} s: ${await counted(db)}`);

await compare('yard, first page of 100', () => readUnits(context, { limit: 100 }), plainYard);
const tags = (
  await db
    .selectFrom('unit')
    .select(['tag', 'id'])
    .orderBy(sql`random()`)
    .limit(RUNS)
    .execute()
).map((unit) => unit);
let at = 0;
await compare(
  'unit history, first page of 30',
  () => readHistory(context, tags[at++ % tags.length]?.tag ?? '', { limit: 30 }),
  () => plainHistory(tags[at++ % tags.length]?.id ?? 0),
);
await commits();
await largeCard();
await db.destroy();

async function counted(from: Db): Promise<string> {
  const tables = ['unit', 'check_in', 'log_entry', 'meter_reading'] as const;
  const counts = await Promise.all(
    tables.map(
      async (table) =>
        `${table} ${(
          await from
            .selectFrom(table)
            .select((eb) => eb.fn.countAll<number>().as('n'))
            .executeTakeFirstOrThrow()
        ).n.toLocaleString('en')}`,
    ),
  );
  return counts.join(', ');
}

/** The rows of the yard's first page, read by one statement that does nothing else. */
function plainYard(): Promise<unknown> {
  return sql`
    select u.*, m.make, m.name,
      (select r.true_hours from meter_reading r where r.unit_id = u.id order by r.id desc limit 1) as true_hours,
      (select to_json(h) from hire h where h.unit_id = u.id and h.state = 'booked' order by h.from_at limit 1) as next_hire
    from unit u join model m on m.id = u.model_id
    where u.readiness <> 'gone'
    order by array_position(array[${sql.join(CLASS_IDS)}]::text[], u.class_id), u.tag
    limit 101`.execute(db);
}

function plainHistory(unitId: number): Promise<unknown> {
  return sql`
    select l.*, p.name from log_entry l left join person p on p.id = l.person_id
    where l.unit_id = ${unitId} order by l.at desc, l.place desc limit 31`.execute(db);
}

async function compare(name: string, ours: () => Promise<unknown>, plain: () => Promise<unknown>): Promise<void> {
  for (let n = 0; n < 20; n++) await Promise.all([ours(), plain()]);
  const our: number[] = [];
  const their: number[] = [];
  for (let n = 0; n < RUNS; n++) {
    our.push(await timed(ours));
    their.push(await timed(plain));
  }
  const ratio = quantile(our, 0.5) / quantile(their, 0.5);
  console.log(
    `${name}: median ${ms(quantile(our, 0.5))}, p95 ${ms(quantile(our, 0.95))}; plain SQL median ${ms(quantile(their, 0.5))}; ratio ${ratio.toFixed(2)} (wanted under 3, p95 under 50 ms)`,
  );
}

async function commits(): Promise<void> {
  const actor = await aTechnician();
  const units = await db
    .selectFrom('unit')
    .select(['id', 'tag', 'class_id'])
    .where('readiness', '=', 'fit')
    .orderBy(sql`random()`)
    .limit(RUNS)
    .execute();
  const times: number[] = [];
  for (const unit of units) {
    const last = await lastReading(db, unit.id);
    const sent = wellCheckIn(unit.tag, unit.class_id, (last.reading + 0.1).toFixed(1), {
      basedOn: await newestCheckInId(db, unit.id),
      startedAt: new Date().toISOString(),
    });
    times.push(await timed(() => enter(actor, 'check-in', sent.facts, { id: sent.id, tag: sent.tag })));
  }
  console.log(
    `check-in commit, ${times.length} of them: median ${ms(quantile(times, 0.5))}, p95 ${ms(quantile(times, 0.95))} (wanted p95 under 60 ms)`,
  );
}

async function aTechnician(): Promise<Actor> {
  const person = await db.selectFrom('person').selectAll().where('role', '=', 'technician').executeTakeFirstOrThrow();
  return { id: person.id, name: person.name, role: person.role };
}

/** Something that happens, as a device sends it. */
function enter<K extends SentKind>(
  actor: Actor,
  kind: K,
  facts: Facts<K>,
  on: { readonly id?: string; readonly tag?: string; readonly jobId?: string },
) {
  return takeEntry(context, actor, {
    ...NOWHERE,
    id: randomUUID(),
    kind,
    facts,
    at: undefined,
    offsetMs: null,
    madeBy: null,
    ...on,
  });
}

async function timed(run: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await run();
  return performance.now() - start;
}

function quantile(times: readonly number[], share: number): number {
  return [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))] ?? 0;
}

function ms(time: number): string {
  return `${time.toFixed(1)} ms`;
}

/** A card with a long ledger and many photos: how long the server takes to open it, photos as thumbnails only. */
async function largeCard(): Promise<void> {
  const unit = await db
    .selectFrom('unit')
    .select(['id', 'tag'])
    .where('readiness', '=', 'fit')
    .limit(1)
    .executeTakeFirstOrThrow();
  const actor = await aTechnician();
  const job = { kind: 'repair', title: 'Everything apart', minutes: 600, blocks: 'hold' } as const;
  const { entry } = await enter(actor, 'job-raised', job, { tag: unit.tag });
  const jobId = entry.jobId ?? '';
  const photo = await sharp({
    create: {
      width: 1600,
      height: 1200,
      channels: 3,
      noise: { type: 'gaussian', mean: 120, sigma: 40 },
      background: '#777',
    },
  })
    .jpeg({ quality: 80 })
    .toBuffer();
  const photos: string[] = [];
  for (let n = 0; n < LINES; n++) {
    const thingId = randomUUID();
    const thing = thingOff(`Thing ${n}`, {
      thingId,
      place: (n % 24) + 1,
      fasteners: [{ count: 4, size: 'M6 × 20', place: 'rim' }],
      orientation: 'Arrow to the front',
      stack: ['gasket', 'spacer'],
      quarterTurns: 5,
    });
    await enter(actor, 'taken-off', thing, { jobId });
    if (n >= PHOTOS) continue;
    const photoId = randomUUID();
    photos.push(photoId);
    await putPhoto(context, actor, photoId, photo, null);
    await makeThumbnail(context, photoId);
    const marks: Facts<'photo'>['marks'] = [{ kind: 'number', at: [0.5, 0.5], number: 1 }];
    await enter(actor, 'photo', { photoId, marks, stepId: null, thingId }, { jobId });
  }
  const times: number[] = [];
  const thumbs: number[] = [];
  for (let n = 0; n < OPENINGS; n++) {
    const began = performance.now();
    await readCard(context, jobId);
    times.push(performance.now() - began);
    await Promise.all(photos.map((id) => readThumb(context, id)));
    thumbs.push(performance.now() - began);
  }
  console.log(
    `a card with ${LINES} ledger lines and ${PHOTOS} photos of ${Math.round(photo.length / 1000)} kB: opened in median ${quantile(times, 0.5).toFixed(0)} ms, p95 ${quantile(times, 0.95).toFixed(0)} ms of server time; with all its thumbnails median ${quantile(thumbs, 0.5).toFixed(0)} ms`,
  );
}
