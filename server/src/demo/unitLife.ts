import { GONE_WHY, type Life } from './life';
import {
  checksOf,
  classOf,
  complaintsOf,
  DERIVED_FINDINGS,
  ENDED,
  engineOilOf,
  type Check,
  type MachineClass,
} from '@hudrik/core/catalogue';
import { roundTenth } from '@hudrik/core/hours';
import { defectsOf, inOrderOfWeight, type FoundDefect } from '@hudrik/core/defects';
import { readinessOf } from '@hudrik/core/readiness';
import { dueAtHours } from '@hudrik/core/service';
import { judge, leastSeconds, type Answer, type Verdict } from '@hudrik/core/verdict';
import { answerOf } from './answers';
import type { Chance } from './chance';
import type { Rows } from './rows';
import { dueAt, whenOpen } from './openHours';
import type { Fate } from './scenario';
import { isInSeason, morningOf } from './seasons';
import { ServiceBook } from './ServiceBook';
import { DAY, HOUR, iso, RULES, UnitWriter } from './unitWriter';

/** Lives one unit's two years day by day and writes down every record that would have been made. */
export class UnitLife {
  readonly #rows: Rows;
  readonly #chance: Chance;
  readonly #life: Life;
  readonly #machine: MachineClass;
  readonly #checks: readonly Check[];
  readonly #writer: UnitWriter;
  #serviceAt: number;
  readonly #services: ServiceBook;
  #fuel = 8;
  #hires = 0;
  readonly #open: (FoundDefect & { readonly foundAt: string })[] = [];
  readonly #onBench: string[] = [];
  #since: number;

  constructor(rows: Rows, chance: Chance, life: Life) {
    this.#rows = rows;
    this.#chance = chance;
    this.#life = life;
    this.#machine = classOf(life.classId);
    this.#checks = checksOf(this.#machine);
    const { fate } = life;
    const hours = fate.stands === 'found' && fate.hoursAtStart ? fate.hoursAtStart : chance.between(20, 420);
    this.#writer = new UnitWriter(rows, chance, life.classId, roundTenth(hours));
    this.#serviceAt = roundTenth(Math.max(this.#writer.trueHours - chance.between(0, 20), 0));
    this.#services = new ServiceBook(life.classId, life.beganAt);
    this.#since = life.beganAt;
  }

  /** Out: the unit's id. */
  live(): number {
    this.#arrive();
    const { fate, now } = this.#life;
    const end = now - this.#quietDays() * DAY;
    let at = this.#life.beganAt + this.#chance.between(1, 12) * DAY;
    for (;;) {
      const outAt = morningOf(at, this.#chance);
      const days = this.#chance.pick([1, 1, 2, 2, 3, 4, 6]);
      const endedAt = outAt + days * DAY - 10 * HOUR;
      if (endedAt + 3 * DAY > end) break;
      if (isInSeason(this.#life.classId, outAt, this.#chance)) this.#hire(outAt, endedAt, this.#ordinaryFindings());
      at = endedAt + this.#chance.between(0.4, 1.8) * this.#life.gapDays * DAY + DAY;
    }
    this.#serveBetween(end);
    this.#standAs(fate, now);
    return this.#writer.unitId;
  }

  /** What comes round soon is done when it last stood still; on one in six nobody thought of it. */
  #serveBetween(at: number): void {
    if (this.#writer.unitId % 6 === 0) return;
    const { trueHours } = this.#writer;
    this.#writer.serviced(at, trueHours, this.#services.doneBetween({ trueHours, at: new Date(at) }), null);
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

  #arrive(): void {
    const { tag, modelId, beganAt } = this.#life;
    this.#writer.unit(beganAt, { tag, modelId, serviceAt: this.#serviceAt });
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
    this.#writer.trueHours = roundTenth(
      this.#writer.trueHours +
        Math.min(this.#gammaLike((this.#machine.use.shape / this.#machine.use.rate) * days), days * 20),
    );
    this.#checkIn(endedAt, hireId, reference, findings, closeJobs);
    for (let n = 0; n < this.#life.notesPerHire; n++)
      this.#writer.log(endedAt + n * 1000, 'note', null, { text: 'Moved on the yard.' });
  }

  /** A positive number about the mean, skewed as use is. */
  #gammaLike(mean: number): number {
    const sum =
      -Math.log(1 - this.#chance.next()) - Math.log(1 - this.#chance.next()) - Math.log(1 - this.#chance.next());
    return (mean * sum) / 3;
  }

  #goOut(reference: string, outAt: number, toAt: number, rest: Record<string, unknown>): number {
    const [from, to] = [iso(outAt), iso(toAt)];
    this.#fuel = 8;
    this.#since = outAt;
    return this.#writer.checkOut(this.#life.personIds.counter, {
      reference,
      from_at: from,
      to_at: to,
      out_at: from,
      ...rest,
    });
  }

  #checkIn(
    at: number,
    hireId: number,
    reference: string,
    findings: { answers: Readonly<Record<string, string>>; complaintIds: readonly string[] },
    closeJobs: boolean,
  ): void {
    const by = this.#chance.pick(this.#life.personIds.technicians);
    const answers = this.#checks.map((check): Answer => answerOf(check, findings.answers[check.id]));
    this.#fuel = this.#chance.whole(3, 8);
    const verdict = this.#judge(answers, findings.complaintIds);
    const stations = this.#machine.stations.map((station) => ({
      id: station.id,
      seconds: Math.round(leastSeconds(station) * this.#chance.between(0.8, 2)),
    }));
    const sent = {
      answers: answers.map((answer) => ({ ...answer, reading: answer.reading, cause: undefined, photos: [] })),
      complaintIds: [...findings.complaintIds],
      stations,
    };
    const id = this.#writer.checkIn({ at, by, hireId, reference, fuelEighths: this.#fuel, sent, verdict });
    this.#since = at;
    this.#jobs(verdict, id, at, by, closeJobs);
  }

  #judge(answers: readonly Answer[], complaintIds: readonly string[]): Verdict {
    const left = this.#hoursToOil();
    return judge({
      edition: RULES,
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
    const jobOf = new Map<string, number>();
    for (const job of verdict.jobs) {
      const closedAt = at + this.#chance.between(1, 40) * HOUR;
      const proof =
        job.kind === 'prep'
          ? undefined
          : { minutesUnderLoad: this.#chance.whole(15, 25), load: 'Under load in the yard', passed: true };
      const closed = close
        ? { state: 'done', closed_at: iso(closedAt), closed_by: by, closed_with: { note: '', proof } }
        : {};
      const id = this.#writer.job(job, verdict, {
        check_in_id: checkInId,
        raised_at: iso(at),
        ...closed,
        ...this.#started(close, at, by),
      });
      if (!close) {
        jobOf.set(job.work, id);
        if (this.#isBegun) this.#onBench.push(job.title);
      } else {
        if (job.work === OIL_SERVICE) this.#service(id, closedAt);
        this.#writer.worked(id, job.minutes, closedAt, by);
        this.#writer.log(closedAt, 'job-finished', by, { note: '' }, { title: job.title, proof }, { job_id: id });
        this.#since = closedAt;
      }
    }
    for (const defect of close ? [] : defectsOf(verdict)) {
      this.#writer.defect(defect, jobOf.get(defect.work ?? '') ?? null, at, checkInId);
      this.#open.push({ ...defect, foundAt: iso(at) });
    }
  }

  #hoursToOil(): number {
    const done = { trueHours: this.#serviceAt };
    const due = dueAtHours({ item: engineOilOf(this.#life.classId), done, came: done });
    return roundTenth((due?.at ?? Infinity) - this.#writer.trueHours);
  }

  /** Its oil, and what else is soon due. */
  #service(jobId: number, at: number): void {
    this.#serviceAt = this.#writer.trueHours;
    const items = this.#services.doneWithOil({ trueHours: this.#serviceAt, at: new Date(at) });
    this.#writer.serviced(at, this.#serviceAt, items, jobId);
  }

  get #isBegun(): boolean {
    const { fate } = this.#life;
    return fate.stands === 'found' && fate.started === true;
  }

  #started(close: boolean, at: number, by: number): Record<string, unknown> {
    return !close && this.#isBegun ? { state: 'open', started_at: iso(at + HOUR), started_by: by } : {};
  }

  #standAs(fate: Fate, now: number): void {
    if (fate.stands === 'found') {
      for (const trouble of fate.before ?? [])
        this.#hireUntil(now - trouble.daysAgo * DAY, { answers: {}, complaintIds: trouble.complaintIds }, true);
      this.#hireUntil(now - fate.daysAgo * DAY, fate, false);
    }
    if (fate.stands === 'out')
      this.#goOut(this.#nextReference(), morningOf(now - 3 * DAY, this.#chance), dueAt(now, fate.dueInDays), {
        state: 'out',
      });
    if (fate.stands === 'back') {
      const reference = this.#nextReference();
      this.#goOut(reference, morningOf(now - 3 * DAY, this.#chance), dueAt(now, 0), {
        state: 'back',
        back_at: iso(now - fate.hoursAgo * HOUR),
      });
      this.#writer.log(now - fate.hoursAgo * HOUR, 'hire-back', this.#life.personIds.counter, { reference });
      this.#since = now - fate.hoursAgo * HOUR;
    }
    if (this.#life.place === 8 && this.#life.classId === 'generator') this.#replaceMeter(now - 2 * DAY);
    if (fate.stands === 'laid-up')
      this.#mark(now - 35 * DAY, 'laid-up', {
        method: this.#life.place === 8 ? 'as-it-is' : 'full-stabilised',
        note: '',
      });
    if (fate.stands === 'gone')
      this.#mark(now - 60 * DAY, 'unit-changed', {
        gone: { why: GONE_WHY },
      });
    this.#settle(fate, now);
  }

  /** A hire of two days that ended about then, in the yard's opening hours. */
  #hireUntil(
    at: number,
    findings: { answers: Readonly<Record<string, string>>; complaintIds: readonly string[] },
    closeJobs: boolean,
  ): void {
    const endedAt = whenOpen(at);
    this.#hire(morningOf(endedAt - 2 * DAY, this.#chance), endedAt, findings, closeJobs);
  }

  #replaceMeter(at: number): void {
    const { trueHours } = this.#writer;
    this.#writer.meter(at, roundTenth(trueHours - 0.2), 'replaced');
    this.#writer.reading(at);
    this.#writer.log(at, 'note', this.#life.personIds.technicians[0] ?? null, {
      text: `Hour meter replaced at ${trueHours} true hours; the new one showed 0.2.`,
    });
  }

  #mark(at: number, kind: 'unit-changed' | 'laid-up', facts: object): void {
    this.#writer.log(at, kind, this.#life.personIds.technicians[0] ?? null, facts as never);
    this.#since = at;
  }

  #settle(fate: Fate, now: number): void {
    const hire = this.#rows.byTable.hire.findLast((row) => row['unit_id'] === this.#writer.unitId);
    const on = fate.stands === 'out' || fate.stands === 'back' ? hire : undefined;
    const verdict = readinessOf({
      gone: fate.stands === 'gone',
      laidUp: fate.stands === 'laid-up',
      defects: inOrderOfWeight(this.#open),
      onBench: this.#onBench,
      hire: on ? { backAt: on['back_at'] ? String(on['back_at']) : null, dueAt: String(on['to_at']) } : null,
    });
    this.#writer.settle({
      laid_up_at: fate.stands === 'laid-up' ? iso(now - 35 * DAY) : null,
      gone_at: fate.stands === 'gone' ? iso(now - 60 * DAY) : null,
      gone_why: fate.stands === 'gone' ? GONE_WHY : null,
      readiness: verdict.readiness,
      readiness_verdict: verdict,
      readiness_since: iso(this.#since),
    });
  }
}

/** The work that the hour count to the next oil service hangs on. */
const OIL_SERVICE = 'oil-service';
