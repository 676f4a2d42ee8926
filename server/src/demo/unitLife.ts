import {
  checksOf,
  classOf,
  complaintsOf,
  DERIVED_FINDINGS,
  ENDED,
  EDITIONS,
  type Check,
  type ClassId,
  type MachineClass,
} from '@hudrik/core/catalogue';
import { roundTenth } from '@hudrik/core/hours';
import { readinessOf, type OpenJob } from '@hudrik/core/readiness';
import { judge, leastSeconds, type Answer, type Verdict } from '@hudrik/core/verdict';
import type { Chance } from './chance';
import type { Rows } from './rows';
import type { Fate } from './scenario';

const DAY = 86_400_000;
const HOUR = 3_600_000;

export interface Life {
  readonly classId: ClassId;
  readonly modelId: number;
  readonly tag: string;
  readonly place: number;
  readonly fate: Fate;
  /** Milliseconds. */
  readonly beganAt: number;
  readonly now: number;
  /** Days between hires, about. */
  readonly gapDays: number;
  readonly notesPerHire: number;
  readonly personIds: { readonly counter: number; readonly technicians: readonly number[] };
}

/** Lives one unit's two years day by day and writes down every record that would have been made. */
export class UnitLife {
  readonly #rows: Rows;
  readonly #chance: Chance;
  readonly #life: Life;
  readonly #machine: MachineClass;
  readonly #checks: readonly Check[];
  #unitId = 0;
  #meter = { id: 0, offset: 0, ordinal: 1 };
  #trueHours: number;
  #serviceAt: number;
  #fuel = 8;
  #lastCheckIn: string | null = null;
  #hires = 0;
  #open: OpenJob[] = [];
  #since: number;

  constructor(rows: Rows, chance: Chance, life: Life) {
    this.#rows = rows;
    this.#chance = chance;
    this.#life = life;
    this.#machine = classOf(life.classId);
    this.#checks = checksOf(this.#machine);
    this.#trueHours = roundTenth(
      life.fate.stands === 'found' && life.fate.hoursAtStart ? life.fate.hoursAtStart : chance.between(20, 420),
    );
    this.#serviceAt = roundTenth(this.#trueHours - chance.between(0, 20));
    this.#since = life.beganAt;
  }

  /** Out: the unit's id. */
  live(): number {
    this.#arrive();
    const { fate, now } = this.#life;
    const end = now - this.#quietDays() * DAY;
    let at = this.#life.beganAt + this.#chance.between(1, 12) * DAY;
    for (;;) {
      const outAt = this.#morning(at);
      const days = this.#chance.pick([1, 1, 2, 2, 3, 4, 6]);
      const endedAt = outAt + days * DAY - 10 * HOUR;
      if (endedAt + 3 * DAY > end) break;
      if (this.#inSeason(outAt)) this.#hire(outAt, endedAt, this.#ordinaryFindings());
      at = endedAt + this.#chance.between(0.4, 1.8) * this.#life.gapDays * DAY + DAY;
    }
    this.#standAs(fate, now);
    return this.#unitId;
  }

  /** The last days before now that its present state takes up. */
  #quietDays(): number {
    const { fate } = this.#life;
    if (fate.stands === 'found')
      return Math.max(fate.daysAgo, ...(fate.before ?? []).map((trouble) => trouble.daysAgo)) + 5;
    if (fate.stands === 'laid-up') return 40;
    if (fate.stands === 'gone') return 90;
    return 5;
  }

  #morning(at: number): number {
    const day = new Date(at);
    day.setHours(8, this.#chance.whole(0, 90), 0, 0);
    return day.getTime();
  }

  #inSeason(at: number): boolean {
    const month = new Date(at).getMonth();
    const winter = month >= 10 || month <= 2;
    if (this.#life.classId === 'snowblower') return winter || this.#chance.next() < 0.03;
    if (this.#life.classId === 'tiller') return month >= 3 && month <= 8;
    return true;
  }

  #arrive(): void {
    const { rows, life, at } = { rows: this.#rows, life: this.#life, at: iso(this.#life.beganAt) };
    this.#unitId = rows.add('unit', {
      tag: life.tag,
      class_id: life.classId,
      model_id: life.modelId,
      serial: `${this.#machine.letters}${this.#chance.whole(100_000, 999_999)}`,
      home_bay: `${this.#chance.pick(['North', 'South', 'Slip'])} ${this.#chance.whole(1, 9)}`,
      last_oil_service_true_hours: this.#serviceAt,
      version: 1,
    });
    this.#meter.id = rows.add('meter', {
      unit_id: this.#unitId,
      ordinal: 1,
      offset_hours: 0,
      fitted_at: at,
      fitted_why: 'first',
    });
    this.#reading(life.beganAt);
    this.#record(life.beganAt, 'unit-added', null, { reading: this.#trueHours, trueHours: this.#trueHours });
  }

  #reading(at: number): number {
    return this.#rows.add('meter_reading', {
      meter_id: this.#meter.id,
      unit_id: this.#unitId,
      reading: roundTenth(this.#trueHours - this.#meter.offset),
      true_hours: this.#trueHours,
      read_at: iso(at),
      unit_entered: 'h',
    });
  }

  #record(at: number, kind: string, personId: number | null, facts: Record<string, unknown>): void {
    this.#rows.add('history_record', { unit_id: this.#unitId, at: iso(at), kind, person_id: personId, facts });
  }

  #nextReference(): string {
    return `H-${this.#life.tag.replace('-', '')}-${++this.#hires}`;
  }

  /** Mostly nothing; now and then one thing, sometimes two. */
  #ordinaryFindings(): { answers: Record<string, string>; complaintIds: string[] } {
    const roll = this.#chance.next();
    if (roll < 0.68) return { answers: {}, complaintIds: [] };
    const check = this.#chance.pick(this.#checks.filter((entry) => entry.kind === 'ordinary' || roll > 0.94));
    const answers = { [check.id]: this.#chance.pick(check.exceptions).id };
    return { answers, complaintIds: roll > 0.9 ? [this.#chance.pick(complaintsOf(this.#machine)).id] : [] };
  }

  #hire(
    outAt: number,
    endedAt: number,
    findings: { answers: Readonly<Record<string, string>>; complaintIds: readonly string[] },
    closeJobs = true,
  ): void {
    const reference = this.#nextReference();
    const hireId = this.#goOut(reference, outAt, endedAt, {
      state: 'ended',
      back_at: iso(endedAt - HOUR),
      ended_at: iso(endedAt),
    });
    const days = (endedAt - outAt) / DAY;
    this.#trueHours = roundTenth(
      this.#trueHours + Math.min(this.#gammaLike((this.#machine.use.shape / this.#machine.use.rate) * days), days * 20),
    );
    this.#checkIn(endedAt, hireId, reference, findings, closeJobs);
    for (let n = 0; n < this.#life.notesPerHire; n++)
      this.#record(endedAt + n * 1000, 'note', null, { text: 'Moved on the yard.' });
  }

  /** A positive number about the mean, skewed as use is. */
  #gammaLike(mean: number): number {
    const sum =
      -Math.log(1 - this.#chance.next()) - Math.log(1 - this.#chance.next()) - Math.log(1 - this.#chance.next());
    return (mean * sum) / 3;
  }

  #goOut(reference: string, outAt: number, toAt: number, rest: Record<string, unknown>): number {
    const { counter } = this.#life.personIds;
    const hireId = this.#rows.add('hire', {
      reference,
      class_id: this.#life.classId,
      unit_id: this.#unitId,
      from_at: iso(outAt),
      to_at: iso(toAt),
      out_at: iso(outAt),
      ...rest,
    });
    const readingId = this.#reading(outAt);
    this.#fuel = 8;
    const kit = this.#machine.kit.map(({ id, count }) => ({ id, count }));
    const id = this.#chance.uuid();
    this.#rows.add('check_out', {
      id,
      unit_id: this.#unitId,
      hire_id: hireId,
      person_id: counter,
      at: iso(outAt),
      reading_id: readingId,
      fuel_eighths: 8,
      kit,
      looks: [],
    });
    this.#record(outAt, 'check-out', counter, {
      checkOutId: id,
      readingId: String(readingId),
      reading: roundTenth(this.#trueHours - this.#meter.offset),
      trueHours: this.#trueHours,
      fuelEighths: 8,
      reference,
      dueAt: iso(toAt),
    });
    this.#since = outAt;
    return hireId;
  }

  #checkIn(
    at: number,
    hireId: number,
    reference: string,
    findings: { answers: Readonly<Record<string, string>>; complaintIds: readonly string[] },
    closeJobs: boolean,
  ): void {
    const id = this.#chance.uuid();
    const by = this.#chance.pick(this.#life.personIds.technicians);
    const answers = this.#checks.map((check): Answer => answerOf(check, findings.answers[check.id]));
    this.#fuel = this.#chance.whole(3, 8);
    const verdict = this.#judge(answers, findings.complaintIds);
    const readingId = this.#reading(at);
    const reading = roundTenth(this.#trueHours - this.#meter.offset);
    this.#rows.add('check_in', {
      id,
      unit_id: this.#unitId,
      hire_id: hireId,
      person_id: by,
      started_at: iso(at - 6 * 60_000),
      at: iso(at),
      based_on: this.#lastCheckIn,
      reading_id: readingId,
      fuel_eighths: this.#fuel,
      fuel_tap: 'was-shut',
      ended: 'well',
      complaint_ids: findings.complaintIds,
      missing: [],
      remarks: '',
      verdict_result: verdict.result,
      verdict,
      edition: verdict.edition,
    });
    this.#lastCheckIn = id;
    for (const answer of answers)
      this.#rows.add('check_result', {
        check_in_id: id,
        check_id: answer.check,
        result: answer.result,
        exception_id: answer.exception ?? null,
        photos: [],
      });
    for (const station of this.#machine.stations)
      this.#rows.add('station_pass', {
        check_in_id: id,
        station_id: station.id,
        seconds: Math.round(leastSeconds(station) * this.#chance.between(0.8, 2)),
        hurried: false,
      });
    this.#record(at, 'check-in', by, {
      checkInId: id,
      readingId: String(readingId),
      reading,
      trueHours: this.#trueHours,
      fuelEighths: this.#fuel,
      reference,
      result: verdict.result,
      reasons: verdict.reasons.map((reason) => reason.sentence),
      bill: [],
      remarks: '',
      readings: [],
      photos: [],
    });
    this.#since = at;
    this.#jobs(verdict, id, at, by, closeJobs);
  }

  #judge(answers: readonly Answer[], complaintIds: readonly string[]): Verdict {
    const left = roundTenth(this.#serviceAt + this.#machine.oilService.hours - this.#trueHours);
    return judge({
      edition: EDITIONS.rules,
      checks: this.#checks,
      complaints: [...complaintsOf(this.#machine), ...ENDED],
      derived: DERIVED_FINDINGS,
      answers,
      complaintIds,
      missing: [],
      facts: { hoursToOilService: left, fuelEighthsShort: 8 - this.#fuel > 3 ? 8 - this.#fuel : 0 },
    });
  }

  #jobs(verdict: Verdict, checkInId: string, at: number, by: number, close: boolean): void {
    for (const job of verdict.jobs) {
      const why = verdict.reasons.filter((reason) =>
        job.origins.some((origin) => origin.kind === reason.origin.kind && origin.id === reason.origin.id),
      );
      const closedAt = at + this.#chance.between(1, 40) * HOUR;
      const proof =
        job.kind === 'prep'
          ? null
          : { minutesUnderLoad: this.#chance.whole(15, 25), load: 'Under load in the yard', passed: true };
      const closed = close
        ? { state: 'done', closed_at: iso(closedAt), closed_by: by, closed_with: { note: '', proof } }
        : {};
      const jobId = this.#rows.add('job', {
        unit_id: this.#unitId,
        check_in_id: checkInId,
        kind: job.kind,
        work: job.work,
        title: job.title,
        minutes: job.minutes,
        blocks: job.blocks,
        origins: job.origins,
        why: why.map((reason) => reason.sentence),
        caution: why.find((reason) => reason.caution)?.caution ?? null,
        state: 'waiting',
        raised_at: iso(at),
        version: 1,
        ...closed,
        ...this.#started(close, at, by),
      });
      if (close) this.#closed(job.work, jobId, job.title, job.kind, closedAt, by, proof);
      else this.#open.push({ sentence: why[0]?.sentence ?? job.title, blocks: job.blocks });
    }
  }

  #started(close: boolean, at: number, by: number): Record<string, unknown> {
    const { fate } = this.#life;
    return !close && fate.stands === 'found' && fate.started
      ? { state: 'open', started_at: iso(at + HOUR), started_by: by }
      : {};
  }

  #closed(work: string, jobId: number, title: string, kind: string, at: number, by: number, proof: unknown): void {
    if (work === 'oil-service') this.#serviceAt = this.#trueHours;
    this.#record(at, 'job-done', by, { jobId: String(jobId), title, kind, note: '', proof });
    this.#since = at;
  }

  #standAs(fate: Fate, now: number): void {
    if (fate.stands === 'found') {
      for (const trouble of fate.before ?? [])
        this.#hireUntil(now - trouble.daysAgo * DAY, { answers: {}, complaintIds: trouble.complaintIds }, true);
      this.#hireUntil(now - fate.daysAgo * DAY, fate, false);
    }
    if (fate.stands === 'out')
      this.#goOut(this.#nextReference(), this.#morning(now - 3 * DAY), dueAt(now, fate.dueInDays), { state: 'out' });
    if (fate.stands === 'back') {
      const reference = this.#nextReference();
      this.#goOut(reference, this.#morning(now - 3 * DAY), dueAt(now, 0), {
        state: 'back',
        back_at: iso(now - fate.hoursAgo * HOUR),
      });
      this.#record(now - fate.hoursAgo * HOUR, 'hire-back', this.#life.personIds.counter, { reference });
      this.#since = now - fate.hoursAgo * HOUR;
    }
    if (this.#life.place === 8 && this.#life.classId === 'generator') this.#replaceMeter(now - 2 * DAY);
    if (fate.stands === 'laid-up') this.#mark(now - 35 * DAY, { laidUp: true });
    if (fate.stands === 'gone')
      this.#mark(now - 60 * DAY, { gone: { why: 'Crankcase cracked; engine and frame scrapped, alternator kept' } });
    this.#settle(fate, now);
  }

  /** A hire of two days that ended about then, in the yard's opening hours. */
  #hireUntil(
    at: number,
    findings: { answers: Readonly<Record<string, string>>; complaintIds: readonly string[] },
    closeJobs: boolean,
  ): void {
    const endedAt = whenOpen(at);
    this.#hire(this.#morning(endedAt - 2 * DAY), endedAt, findings, closeJobs);
  }

  #replaceMeter(at: number): void {
    this.#meter = { id: 0, offset: roundTenth(this.#trueHours - 0.2), ordinal: 2 };
    this.#meter.id = this.#rows.add('meter', {
      unit_id: this.#unitId,
      ordinal: 2,
      offset_hours: this.#meter.offset,
      fitted_at: iso(at),
      fitted_why: 'replaced',
    });
    this.#reading(at);
    this.#record(at, 'note', this.#life.personIds.technicians[0] ?? null, {
      text: `Hour meter replaced at ${this.#trueHours} true hours; the new one showed 0.2.`,
    });
  }

  #mark(at: number, change: Record<string, unknown>): void {
    this.#record(at, 'unit-changed', this.#life.personIds.technicians[0] ?? null, change);
    this.#since = at;
  }

  #settle(fate: Fate, now: number): void {
    const hire = this.#rows.byTable.hire.findLast((row) => row['unit_id'] === this.#unitId);
    const on = fate.stands === 'out' || fate.stands === 'back' ? hire : undefined;
    const verdict = readinessOf({
      gone: fate.stands === 'gone',
      laidUp: fate.stands === 'laid-up',
      jobs: this.#open,
      hire: on ? { backAt: (on['back_at'] as string) ?? null, dueAt: on['to_at'] as string } : null,
    });
    Object.assign(this.#rows.byTable.unit[this.#unitId - 1] ?? {}, {
      laid_up_at: fate.stands === 'laid-up' ? iso(now - 35 * DAY) : null,
      gone_at: fate.stands === 'gone' ? iso(now - 60 * DAY) : null,
      gone_why: fate.stands === 'gone' ? 'Crankcase cracked; engine and frame scrapped, alternator kept' : null,
      last_oil_service_true_hours: this.#serviceAt,
      fuel_eighths: this.#fuel,
      readiness: verdict.readiness,
      readiness_verdict: verdict,
      readiness_since: iso(this.#since),
    });
  }
}

const answerOf = (check: Check, exception: string | undefined): Answer =>
  exception === undefined ? { check: check.id, result: 'ok' } : { check: check.id, result: 'not-ok', exception };
/** The last moment at or before this in which the yard was open: from eight to five. */
function whenOpen(at: number): number {
  const moment = new Date(at);
  if (moment.getHours() >= 8 && moment.getHours() < 17) return at;
  if (moment.getHours() < 8) moment.setDate(moment.getDate() - 1);
  return moment.setHours(16, 30, 0, 0);
}

/** Hires fall due at five in the afternoon; one that is overdue was due on a day before today's. */
function dueAt(now: number, inDays: number): number {
  const day = new Date(now + inDays * DAY);
  day.setHours(17, 0, 0, 0);
  return inDays < 0 && day.getTime() > now ? day.getTime() - DAY : day.getTime();
}

const iso = (at: number): string => new Date(at).toISOString();
