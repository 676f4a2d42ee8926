import { classOf, EDITIONS, ENGINE_OIL, SERVICE_PLANS, type ClassId, type MachineClass } from '@hudrik/core/catalogue';
import type { CheckedIn, CheckedOut, Facts, KindId } from '@hudrik/core/log';
import type { FoundDefect } from '@hudrik/core/defects';
import { roundTenth } from '@hudrik/core/hours';
import type { RaisedJob, Verdict } from '@hudrik/core/verdict';
import type { Chance } from './chance';
import type { Row, Rows } from './rows';

export const DAY = 86_400_000;
export const HOUR = 3_600_000;
export const iso = (at: number): string => new Date(at).toISOString();

interface Unit {
  readonly tag: string;
  readonly modelId: number;
  readonly serviceAt: number;
}

interface Return {
  readonly at: number;
  readonly by: number;
  readonly hireId: number;
  readonly reference: string;
  readonly fuelEighths: number;
  readonly sent: Pick<Facts<'check-in'>, 'answers' | 'complaintIds' | 'stations'>;
  readonly verdict: Verdict;
}

/** Writes the rows of one unit: what the server would have written as it happened. */
export class UnitWriter {
  readonly #rows: Rows;
  readonly #chance: Chance;
  readonly #classId: ClassId;
  readonly #machine: MachineClass;
  unitId = 0;
  trueHours: number;
  #meter = { id: 0, offset: 0, ordinal: 0 };
  #lastCheckIn: string | null = null;

  constructor(rows: Rows, chance: Chance, classId: ClassId, trueHours: number) {
    this.#rows = rows;
    this.#chance = chance;
    this.#classId = classId;
    this.#machine = classOf(classId);
    this.trueHours = trueHours;
  }

  get shownHours(): number {
    return roundTenth(this.trueHours - this.#meter.offset);
  }

  unit(at: number, { tag, modelId, serviceAt }: Unit): void {
    const serial = `${this.#machine.letters}${this.#chance.whole(100_000, 999_999)}`;
    this.unitId = this.#rows.add('unit', {
      tag,
      class_id: this.#classId,
      model_id: modelId,
      serial,
      home_bay: `${this.#chance.pick(['North', 'South', 'Slip'])} ${this.#chance.whole(1, 9)}`,
      version: 1,
    });
    this.serviced(at - 20 * DAY, serviceAt, [ENGINE_OIL], null);
    this.meter(at, 0, 'first');
    const readingId = this.reading(at);
    this.log(
      at,
      'unit-added',
      null,
      { serial, reading: this.trueHours },
      {
        readingId: String(readingId),
        trueHours: this.trueHours,
      },
    );
  }

  /** Hands-on time of a job up to its end. No draw of its own: the rest of the yard would be another one. */
  worked(jobId: number, minutes: number, endedAt: number, by: number): void {
    const took = minutes * (0.8 + ((jobId * 37) % 60) / 100) * 60_000;
    this.log(endedAt - took, 'hands-on', by, {}, {}, { job_id: jobId });
    this.log(endedAt, 'hands-off', by, {}, {}, { job_id: jobId });
  }

  /** Items of its service plan that were done at so many true hours. */
  serviced(at: number, trueHours: number, items: readonly string[], jobId: number | null): void {
    for (const item of items)
      this.#rows.add('service_done', {
        unit_id: this.unitId,
        item,
        true_hours: trueHours,
        at: iso(at),
        plan_version: jobId === null ? null : SERVICE_PLANS[this.#classId].version,
        job_id: jobId,
      });
  }

  meter(at: number, offset: number, why: string): void {
    const ordinal = this.#meter.ordinal + 1;
    const row = { unit_id: this.unitId, ordinal, offset_hours: offset, fitted_at: iso(at), fitted_why: why };
    this.#meter = { id: this.#rows.add('meter', row), offset, ordinal };
  }

  reading(at: number): number {
    return this.#rows.add('meter_reading', {
      meter_id: this.#meter.id,
      unit_id: this.unitId,
      reading: this.shownHours,
      true_hours: this.trueHours,
      read_at: iso(at),
      unit_entered: 'h',
    });
  }

  log<K extends KindId>(
    at: number,
    kind: K,
    personId: number | null,
    facts: Facts<K>,
    outcome: object = {},
    more: Row = {},
  ): void {
    this.#rows.add('log_entry', {
      id: this.#chance.uuid(),
      unit_id: this.unitId,
      at: iso(at),
      taken_at: iso(at),
      kind,
      person_id: personId,
      facts,
      outcome,
      ...more,
    });
  }

  /** Handed out, full and with its whole kit. */
  checkOut(by: number, hire: Row & { reference: string; out_at: string; to_at: string }): number {
    const hireId = this.#rows.add('hire', { class_id: this.#machine.id, unit_id: this.unitId, ...hire });
    const at = Date.parse(hire.out_at);
    const readingId = this.reading(at);
    const id = this.#chance.uuid();
    this.#rows.add('check_out', { id, unit_id: this.unitId, hire_id: hireId, at: iso(at), reading_id: readingId });
    const facts: Facts<'check-out'> = {
      hire: hire.reference,
      dueAt: null,
      hours: this.#hoursRead(),
      fuelEighths: 8,
      kit: this.#machine.kit.map(({ id: item, count }) => ({ id: item, count })),
      looks: [],
      waiverReason: '',
    };
    const outcome: CheckedOut = {
      readingId: String(readingId),
      reading: this.shownHours,
      trueHours: this.trueHours,
      reference: hire.reference,
      dueAt: hire.to_at,
      waived: false,
    };
    this.log(at, 'check-out', by, facts, outcome, { id });
    return hireId;
  }

  #hoursRead(): Facts<'check-in'>['hours'] {
    return { typed: String(this.shownHours), confirmed: false, meterEvent: null };
  }

  /** Back and looked at. Out: the check-in's id. */
  checkIn({ at, by, hireId, reference, fuelEighths, sent, verdict }: Return): string {
    const id = this.#chance.uuid();
    const readingId = this.reading(at);
    const basedOn = this.#lastCheckIn;
    const began = iso(at - 6 * 60_000);
    const row = {
      id,
      unit_id: this.unitId,
      hire_id: hireId,
      at: iso(at),
      began_at: began,
      based_on: basedOn,
      reading_id: readingId,
    };
    this.#rows.add('check_in', row);
    this.#lastCheckIn = id;
    const facts: Facts<'check-in'> = {
      startedAt: began,
      basedOn,
      secondLookOf: null,
      hours: this.#hoursRead(),
      fuelEighths,
      fuelTap: 'was-shut',
      ended: 'well',
      missing: [],
      remarks: '',
      ...sent,
    };
    const outcome: Omit<CheckedIn, 'hoursRun' | 'jobIds' | 'readiness'> = {
      readingId: String(readingId),
      reading: this.shownHours,
      trueHours: this.trueHours,
      reference,
      verdict,
      hurried: [],
      hurriedStations: [],
      readings: [],
    };
    this.log(at, 'check-in', by, facts, outcome, { id });
    return id;
  }

  job(job: RaisedJob, verdict: Verdict, rest: Row): number {
    const why = verdict.reasons.filter((reason) =>
      job.origins.some((origin) => origin.kind === reason.origin.kind && origin.id === reason.origin.id),
    );
    const { kind, work, title, minutes, blocks, origins } = job;
    return this.#rows.add('job', {
      unit_id: this.unitId,
      kind,
      work,
      title,
      minutes,
      blocks,
      origins,
      why: why.map((reason) => reason.sentence),
      caution: why.find((reason) => reason.caution)?.caution ?? null,
      state: 'waiting',
      version: 1,
      ...rest,
    });
  }

  defect(
    { origin, sentence, weight, safety, caution }: FoundDefect,
    jobId: number | null,
    at: number,
    entryId: string,
  ): void {
    this.#rows.add('defect', {
      id: this.#chance.uuid(),
      unit_id: this.unitId,
      origin_kind: origin.kind,
      origin_id: origin.id,
      exception: origin.exception ?? '',
      sentence,
      weight,
      safety,
      caution,
      job_id: jobId,
      found_at: iso(at),
      found_by: entryId,
      seen_at: iso(at),
    });
  }

  /** What the unit's row says in the end. */
  settle(columns: Row): void {
    Object.assign(this.#rows.byTable.unit[this.unitId - 1] ?? {}, columns);
  }
}

export const RULES = EDITIONS.rules;
