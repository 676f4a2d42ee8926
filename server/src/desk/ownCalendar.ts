import { randomBytes } from 'node:crypto';
import { TZDate } from '@date-fns/tz';
import { OPEN_JOB_STATES } from '@hudrik/core/card';
import { format } from 'date-fns/format';
import ICAL from 'ical.js';
import type { Context } from '../context';
import type { Db } from '../database/tables';
import { readSettings } from '../people/settings';
import { refuse } from '../refusal';
import { readServiceFacts } from '../service/serviceFacts';
import { serviceOf } from '../service/unitService';

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
/** Services further off may run or stand until then. */
const SERVICE_DAYS = 28;

/** The address of somebody's own calendar: with a secret that only they know, made when it is first asked for, or anew. */
export async function calendarSecret(db: Db, personId: number, isAnew: boolean): Promise<{ path: string }> {
  const fresh = randomBytes(24).toString('base64url');
  const row = await db
    .updateTable('person')
    .set((eb) => ({ calendar_secret: isAnew ? fresh : eb.fn.coalesce('calendar_secret', eb.val(fresh)) }))
    .where('id', '=', personId)
    .returning('calendar_secret')
    .executeTakeFirstOrThrow();
  return { path: `/api/calendar/${row.calendar_secret}` };
}

/** What somebody has to do by the plan, and what of the yard's service falls due, as iCalendar (RFC 5545). A secret that nobody has: nothing. */
export async function ownCalendar({ db, now }: Pick<Context, 'db' | 'now'>, secret: string): Promise<string> {
  const person = await db
    .selectFrom('person')
    .select(['id', 'name'])
    .where('calendar_secret', '=', secret)
    .where('left_at', 'is', null)
    .executeTakeFirst();
  if (person === undefined) return refuse('not-found', { field: 'secret' });
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Hudrik//Bench and service//EN');
  calendar.addPropertyWithValue('x-wr-calname', `Hudrik: ${person.name}`);
  const at = now();
  const { timeZone } = await readSettings(db);
  const dayOf = (moment: Date): string => format(new TZDate(moment.getTime(), timeZone), 'yyyy-MM-dd');
  for (const event of [...(await plannedEvents(db, person.id)), ...(await serviceEvents(db, at))])
    calendar.addSubcomponent(componentOf(event, at, dayOf));
  return calendar.toString();
}

interface CalendarEvent {
  readonly uid: string;
  readonly summary: string;
  readonly from: Date;
  /** Without an end it is a whole day. */
  readonly to: Date | null;
}

function componentOf(
  { uid, summary, from, to }: CalendarEvent,
  at: Date,
  dayOf: (moment: Date) => string,
): ICAL.Component {
  const event = new ICAL.Component('vevent');
  const start = to === null ? ICAL.Time.fromDateString(dayOf(from)) : ICAL.Time.fromJSDate(from, true);
  event.addPropertyWithValue('uid', `${uid}@hudrik`);
  event.addPropertyWithValue('dtstamp', ICAL.Time.fromJSDate(at, true));
  event.addPropertyWithValue('summary', summary);
  event.addPropertyWithValue('dtstart', start);
  if (to !== null) event.addPropertyWithValue('dtend', ICAL.Time.fromJSDate(to, true));
  return event;
}

/** The hands-on work of a person, as the plan has it that people see. */
async function plannedEvents(db: Db, personId: number): Promise<CalendarEvent[]> {
  const kept = await db.selectFrom('bench_plan').select(['made_at', 'plan', 'tags']).executeTakeFirst();
  if (kept === undefined) return [];
  const moment = (minute: number): Date =>
    new Date(Math.round(kept.made_at.getTime() / MINUTE_MS + minute) * MINUTE_MS);
  const titles = new Map(
    (
      await db
        .selectFrom('visit_job as vj')
        .innerJoin('job as j', 'j.id', 'vj.job_id')
        .select(['vj.visit_id', 'j.title'])
        .where('j.state', 'in', OPEN_JOB_STATES)
        .execute()
    ).map(({ visit_id: id, title }) => [String(id), title]),
  );
  return kept.plan.phases
    .filter(({ who }) => who === String(personId))
    .map(({ visitId, phaseId, from, to }) => ({
      uid: `visit-${visitId}-${phaseId}`,
      summary: [kept.tags[visitId], titles.get(visitId)].filter(Boolean).join(': '),
      from: moment(from),
      to: moment(to),
    }));
}

/** Of each unit, the visit in which its service is best done, on its day. */
async function serviceEvents(db: Db, at: Date): Promise<CalendarEvent[]> {
  const facts = (await readServiceFacts(db, at)).filter(({ readiness }) => readiness !== 'laid-up');
  return facts.flatMap((one) => {
    const next = serviceOf(one, at).visits[0];
    if (next === undefined || next.inDays > SERVICE_DAYS) return [];
    const names = one.plan.items.filter(({ id }) => next.ids.includes(id)).map(({ name }) => name);
    const from = new Date(at.getTime() + next.inDays * DAY_MS);
    return [{ uid: `service-${one.tag}`, summary: `${one.tag}: ${names.join(', ')}`, from, to: null }];
  });
}
