import { randomUUID } from 'node:crypto';
import { checksOf, classOf, folderOf, type ClassId, type Rated } from '@hudrik/core/catalogue';
import type { CardReply, Defect, Role } from '@hudrik/core/contracts';
import { cardOf, type Facts, type SentKind } from '@hudrik/core/log';
import { MINUTES_TO_SETTLE, type ProofSetting } from '@hudrik/core/proof';
import { classFor, ratedOf } from '@hudrik/core/ratings';
import { readCard } from '../../cards/readCard';
import { newestCheckInId } from '../../checkins/opening';
import type { Actor, Context } from '../../context';
import { readDefects } from '../../defects/readDefects';
import { editUnit } from '../../fleet/editUnit';
import { addHire, cancelHire } from '../../hires/hires';
import { changeSheet, ratingsOfUnit } from '../../fleet/models';
import { figuresToConfirm } from '../../figures/figuresToConfirm';
import { takeEntry } from '../../log/takeEntry';
import { Refusal } from '../../refusal';
import { loadOf } from '../proving';
import { middleOf, wellCheckIn } from '../samples';
import type { On, TestYard } from '../yard';
import { asReading, goodResult, settingOf } from './asked';
import type { Phone } from './phone';

type Edit = Omit<Facts<'unit-changed'>, 'laidUp'>;

/** One unit, and the people who do things to it in any order. What is refused is refused: nothing here knows a rule. */
export class World {
  readonly #yard: TestYard;
  readonly #context: Context;
  readonly tag: string;
  readonly classId: ClassId;
  unitId = 0;
  hours = 101;
  /** By which what is done now is entered; null: at the bench PC. */
  phone: Phone | null = null;
  readonly phones: readonly Phone[];
  /** What was entered by a device whose clock nobody had measured. */
  readonly ofUnknownTime = new Set<string>();
  /** What was refused of late, to tell of where no way leads on. */
  readonly refused: string[] = [];

  constructor(yard: TestYard, tag: string, classId: ClassId, phones: readonly Phone[] = []) {
    this.#yard = yard;
    this.#context = yard.context;
    this.tag = tag;
    this.classId = classId;
    this.phones = phones;
  }

  get db() {
    return this.#yard.db;
  }

  get now(): Date {
    return this.#yard.now;
  }

  async begin(): Promise<void> {
    this.unitId = await this.#yard.addUnit(this.tag, this.classId, 100, { isLookedAt: false });
  }

  later(hours: number): void {
    this.#yard.later(hours);
  }

  actor(role: Role): Actor {
    return { id: this.#yard.personId(role), name: `The ${role}`, role };
  }

  /** Out: whether it was taken, or waits on a phone. What is neither taken nor refused is thrown on. */
  async enter<K extends SentKind>(on: On, kind: K, facts: Facts<K>, as: Role = 'technician'): Promise<boolean> {
    const { phone } = this;
    const place = { tag: on.tag ?? null, jobId: on.jobId ?? null, findingId: on.findingId ?? null, lineId: null };
    const moment = phone?.says(this.now) ?? { at: undefined, offsetMs: null };
    const sent = { id: on.id ?? randomUUID(), kind, facts, ...moment, ...place, madeBy: null };
    if (phone?.knowsOffset === false) this.ofUnknownTime.add(sent.id);
    const send = () => this.#unlessRefused(() => takeEntry(this.#context, this.actor(as), sent));
    if (phone?.isOffLine !== true) return send();
    phone.waiting.push(send);
    return true;
  }

  /** A photo of this unit, taken now. */
  async photo(): Promise<string> {
    const id = randomUUID();
    const size = { width: 8, height: 8, bytes: Buffer.from([1]), thumb: Buffer.from([1]), sent_hash: null };
    const row = { id, person_id: this.#yard.personId('lead'), media_type: 'image/jpeg', taken_at: this.now, ...size };
    await this.db.insertInto('photo').values(row).execute();
    return id;
  }

  /** The apprentice has looked too, and says so to whoever asks. */
  async second(as: Role = 'technician'): Promise<{ witnessId: string }> {
    const witnessId = randomUUID();
    const who = { person_id: this.#yard.personId('apprentice'), asked_by: this.#yard.personId(as) };
    await this.db
      .insertInto('witness')
      .values({ id: witnessId, ...who, at: this.now, used_by: null })
      .execute();
    return { witnessId };
  }

  /** Another figure on the model's sheet. */
  changeSheet(rated: Rated, as: Role = 'lead'): Promise<boolean> {
    return this.#unlessRefused(async () => {
      const { model_id: model } = await this.unit();
      await changeSheet(this.#context, this.actor(as), model, { rated });
    });
  }

  onUnit<K extends SentKind>(kind: K, facts: Facts<K>, as?: Role): Promise<boolean> {
    return this.enter({ tag: this.tag }, kind, facts, as);
  }

  /** Another unit of the class: what was told of the wrong tag may be moved to it. */
  async other(): Promise<string> {
    const [letters, number] = this.tag.split('-');
    const tag = `${letters}-${Number(number) + 4000}`;
    const there = await this.db.selectFrom('unit').select('id').where('tag', '=', tag).executeTakeFirst();
    if (there === undefined) await this.#yard.addUnit(tag, this.classId);
    return tag;
  }

  layUp(): Promise<boolean> {
    return this.onUnit('laid-up', { method: 'as-it-is', note: '' });
  }

  wake(): Promise<boolean> {
    return this.onUnit('woken', { pulls: 1, wantsFuelRepair: false, needed: '' });
  }

  edit(edit: Edit): Promise<boolean> {
    return this.#unlessRefused(() => editUnit(this.#context, this.actor('lead'), this.tag, edit, null));
  }

  book(reference: string, fromHours: number, hours: number): Promise<boolean> {
    const at = (more: number) => new Date(this.now.getTime() + more * 3_600_000).toISOString();
    const fresh = {
      reference,
      classId: this.classId,
      tag: this.tag,
      fromAt: at(fromHours),
      toAt: at(fromHours + hours),
      hirer: '',
      phone: '',
      sure: true,
    };
    return this.#unlessRefused(() => addHire(this.#context, this.actor('counter'), fresh));
  }

  cancel(reference: string): Promise<boolean> {
    return this.#unlessRefused(() => cancelHire(this.#context, this.actor('counter'), reference));
  }

  async #unlessRefused(act: () => Promise<unknown>): Promise<boolean> {
    try {
      await act();
      return true;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      this.refused.push(`${error.code} ${JSON.stringify(error.facts)}`);
      return false;
    }
  }

  unit() {
    return this.db.selectFrom('unit').selectAll().where('id', '=', this.unitId).executeTakeFirstOrThrow();
  }

  jobs() {
    return this.db
      .selectFrom('job')
      .selectAll()
      .where('unit_id', '=', this.unitId)
      .where('closed_at', 'is', null)
      .orderBy('id')
      .execute();
  }

  defects(): Promise<Defect[]> {
    return readDefects(this.db, this.unitId);
  }

  async card(): Promise<CardReply | null> {
    const visit = await this.db
      .selectFrom('visit as v')
      .innerJoin('visit_job as vj', 'vj.visit_id', 'v.id')
      .select('vj.job_id')
      .where('v.unit_id', '=', this.unitId)
      .where('v.ended_at', 'is', null)
      .orderBy('vj.job_id')
      .executeTakeFirst();
    return visit ? readCard(this.#context, String(visit.job_id)) : null;
  }

  hireOut() {
    return this.db
      .selectFrom('hire')
      .selectAll()
      .where('unit_id', '=', this.unitId)
      .where('state', 'in', ['out', 'back'])
      .executeTakeFirst();
  }

  /** A return in which all is well but for what is said otherwise. */
  async checkIn(
    changed: Partial<Facts<'check-in'>> = {},
    found: Readonly<Record<string, string>> = {},
    as: Role = 'technician',
  ) {
    this.hours += 0.5;
    const startedAt = this.now.toISOString();
    const { facts } = wellCheckIn(this.tag, this.classId, this.hours.toFixed(1), { startedAt });
    const checks = await this.#checks();
    const answers = facts.answers.map((answer) => {
      const exception = found[answer.check];
      const measured = checks.find(({ id }) => id === answer.check)?.measured;
      const reading = measured && { value: middleOf(measured.limit), unit: measured.unit };
      return exception === undefined
        ? { ...answer, reading }
        : { check: answer.check, result: 'not-ok' as const, exception, reading: undefined, photos: [] };
    });
    const hours = { typed: this.hours.toFixed(1), confirmed: true, meterEvent: null };
    const basedOn = await newestCheckInId(this.db, this.unitId);
    return this.onUnit('check-in', { ...facts, answers, hours, basedOn, ...changed }, as);
  }

  /** What an honest check-in says of what was found before and is in order now. */
  async settledNow(): Promise<NonNullable<Facts<'check-in'>['settled']>> {
    const checks = checksOf(classOf(this.classId)).map((check) => check.id);
    return (await this.defects())
      .filter(({ origin }) => origin.kind === 'check' && checks.includes(origin.id))
      .filter(({ origin }) => origin.exception !== 'could-not-look' && origin.exception !== 'not-possible')
      .map(({ id }) => ({ defectId: id, how: 'was-all-right' as const, why: 'It is all right' }));
  }

  /** The whole proof of what the visit asks. Out: whether it was signed. */
  async prove(passed: boolean, looks: 'all' | 'none' = 'all'): Promise<boolean> {
    const card = await this.card();
    const job = card?.jobs.find((one) => one.state === 'open') ?? card?.jobs[0];
    if (!card || !job) return false;
    const on = { jobId: job.id };
    for (const { thingId } of cardOf(card.entries).ledger.things.filter(({ system }) => system === undefined))
      await this.nameSystem(on.jobId, thingId);
    if (!(await this.enter(on, 'to-proof', {}))) return false;
    await this.#run(on, settingOf(card, this.classId));
    return this.#sign(on, card, passed, looks);
  }

  async #run(on: On, setting: ProofSetting): Promise<void> {
    const did = 'Looked for the cause and mended it';
    await this.enter(on, 'leak-look', { dry: true, note: '', did });
    if (setting.minutes > 0) {
      await this.enter(on, 'proof-load', loadOf(setting));
      await this.enter(on, 'run-started', {});
      await this.enter(on, 'smoke', { clear: true });
      this.later((setting.minutes + 1) / 60);
      for (const { id, unit, least, most } of setting.plan.readings) {
        const value = ((least ?? 0) + (most ?? (least ?? 0) * 2)) / 2;
        await this.enter(on, 'proof-reading', { reading: asReading(id), value, unit, live: false });
      }
      await this.enter(on, 'run-stopped', { why: '' });
    }
    if (setting.looks.some(({ from }) => from === 'five-after')) this.later(MINUTES_TO_SETTLE.value / 60);
    for (const { id } of setting.looks) await this.enter(on, 'proof-look', { look: id, ok: true, did });
  }

  async #sign(on: On, card: CardReply, passed: boolean, looks: 'all' | 'none'): Promise<boolean> {
    const ids = card.jobs
      .filter((one) => one.state === 'open')
      .flatMap((one) => one.defects.map((defect) => defect.id));
    const told = card.defects.filter(
      ({ id, origin, causes }) => ids.includes(id) && origin.kind === 'told' && causes.length === 0,
    );
    const all = looks === 'all';
    return this.enter(on, 'proved', {
      ...{ passed, note: 'Proved', looks: all && passed ? ids : [], measured: await this.figuresFor(card.defects) },
      notFound: all ? told.map((defect) => defect.id) : [],
      ...(all ? await this.second() : {}),
    });
  }

  /** What came off is said to be of no system that can hurt. */
  async nameSystem(jobId: string, thingId: string): Promise<boolean> {
    const card = await this.card();
    const thing = card && cardOf(card.entries).ledger.things.find((one) => one.thingId === thingId);
    if (!thing) return false;
    const { what, key, tray, place, fasteners, orientation, linkHole, stack, quarterTurns } = thing;
    const facts = {
      thingId,
      what,
      key,
      tray,
      place,
      fasteners: [...fasteners],
      orientation,
      linkHole,
      stack: [...stack],
    };
    return this.enter({ jobId }, 'thing-changed', { ...facts, quarterTurns, system: 'none' });
  }

  /** The checks of this unit, with its own limits as they are. */
  async #checks() {
    const { model, unit: plate } = await ratingsOfUnit(this.db, await this.unit());
    const { machineClass, rated } = folderOf(this.classId);
    return checksOf(classFor(machineClass, rated, ratedOf(rated, model, plate)));
  }

  /** A figure inside the limits that are in force, for each thing that was found by one. */
  async figuresFor(defects: readonly Pick<Defect, 'id' | 'origin'>[]) {
    const checks = await this.#checks();
    const waiting = new Set((await figuresToConfirm(this.db, await this.unit())).map(({ defectId }) => defectId));
    const rows = await this.db
      .selectFrom('defect')
      .select(['id', 'limits'])
      .where('unit_id', '=', this.unitId)
      .execute();
    return defects.flatMap(({ id: defectId, origin }) => {
      const measured = checks.find((check) => origin.kind === 'check' && check.id === origin.id)?.measured;
      if (measured === undefined) return [];
      const kept = rows.find((row) => row.id === defectId)?.limits ?? null;
      const value =
        waiting.has(defectId) && kept
          ? ((kept.least ?? (kept.most ?? 0) / 2) + (kept.most ?? (kept.least ?? 0) * 2)) / 2
          : middleOf(measured.limit);
      return [{ defectId, value, unit: measured.unit }];
    });
  }

  /** Everything that can be made whole on the card is. */
  async makeWhole(): Promise<void> {
    const card = await this.card();
    if (card === null) return;
    const { ledger, clocks, steps } = cardOf(card.entries);
    const on = { jobId: card.jobs.find((job) => job.state === 'open')?.id ?? card.jobs[0]?.id ?? '' };
    for (const { thingId } of ledger.putBack) await this.enter(on, 'put-back', { thingId });
    for (const { thingId } of ledger.onTrial)
      await this.enter(on, 'replaced', { thingId, part: 'New', forTrial: false });
    for (const clock of clocks.filter((one) => one.result === null)) {
      this.later(Math.max((Date.parse(clock.endsAt) - this.now.getTime()) / 3_600_000, 0) + 0.01);
      await this.enter(on, 'clock-ended', { clockId: clock.clockId, result: goodResult(clock.clock), note: '' });
    }
    for (const step of steps.filter((one) => one.state === 'to-do'))
      await this.enter({ jobId: step.jobId ?? on.jobId }, 'step-done', { stepId: step.stepId });
  }
}
