import { randomUUID } from 'node:crypto';
import type { ClassId } from '@hudrik/core/catalogue';
import type { Defect, LogRecord, Opening, Role, Shift, UnitPage } from '@hudrik/core/contracts';
import type { CardRefusal, CheckedIn, Facts } from '@hudrik/core/log';
import sharp from 'sharp';
import { foundCheckIn, handOut, wellCheckIn } from './samples';
import { checkedIn, jsonOf, problemIn, type TestYard } from './yard';

type Found = Readonly<Record<string, string>>;
/** When something was done, by a device; it knows its clock's offset, unless it is said that it does not. */
export interface When {
  readonly at?: string;
  readonly offsetMs?: number | null;
}

/** What is asked of a yard in the tests of the ways that led past its rules. */
export class Ways {
  constructor(readonly yard: TestYard) {}

  page(tag: string): Promise<UnitPage> {
    return this.yard.read<UnitPage>(`/api/units/${tag}`);
  }

  async ready(tag: string): Promise<string> {
    return (await this.page(tag)).unit.verdict.readiness;
  }

  async defects(tag: string): Promise<readonly Defect[]> {
    return (await this.page(tag)).defects;
  }

  /** An open defect, by what found it. */
  async defect(tag: string, id: string): Promise<Defect | undefined> {
    return (await this.defects(tag)).find((one) => one.origin.id === id);
  }

  async howEnded(defectId: string): Promise<string | null> {
    const row = await this.yard.db
      .selectFrom('defect')
      .select('closed_how')
      .where('id', '=', defectId)
      .executeTakeFirst();
    return row?.closed_how ?? null;
  }

  async hires(tag: string): Promise<readonly { readonly reference: string; readonly state: string }[]> {
    const { hires } = await this.yard.read<{ hires: { reference: string; state: string }[] }>(`/api/hires?tag=${tag}`);
    return hires;
  }

  opening(tag: string): Promise<Opening> {
    return this.yard.read<Opening>(`/api/units/${tag}/opening`);
  }

  shift(as: Role = 'counter'): Promise<Shift> {
    return this.yard.read<Shift>('/api/shift', as);
  }

  async history(tag: string): Promise<readonly LogRecord[]> {
    return (await this.yard.read<{ records: LogRecord[] }>(`/api/units/${tag}/history?limit=100`)).records;
  }

  /** The instant that is so many minutes before now. */
  ago(minutes: number): string {
    return new Date(this.yard.now.getTime() - minutes * 60_000).toISOString();
  }

  /** A unit that is fit. */
  async fit(tag: string, classId: ClassId = 'generator'): Promise<void> {
    await this.yard.addUnit(tag, classId);
  }

  /** Begun and made at a time; without one, now. */
  async checkIn(
    tag: string,
    classId: ClassId,
    typed: string,
    when: When & { found?: Found; more?: Partial<Facts<'check-in'>>; as?: Role } = {},
  ): Promise<CheckedIn> {
    const { at, offsetMs, found, more = {}, as } = when;
    const { basedOn } = await this.opening(tag).catch(() => ({ basedOn: null }));
    const startedAt = at ?? this.yard.now.toISOString();
    const { facts } = foundCheckIn(tag, classId, typed, found ?? {}, { basedOn, startedAt, ...more });
    return checkedIn(
      await this.yard.enter(
        { tag, ...(at === undefined ? {} : { at }), ...(offsetMs === undefined ? {} : { offsetMs }) },
        'check-in',
        facts,
        as,
      ),
    );
  }

  /** Handed out for a day. */
  handOut(tag: string, classId: ClassId, typed: string, when: When = {}): Promise<Response> {
    const dueAt = new Date(this.yard.now.getTime() + 86_400_000).toISOString();
    return this.yard.enter({ tag, ...when }, 'check-out', handOut(classId, typed, { dueAt }), 'counter');
  }

  well(tag: string, classId: ClassId, typed: string): ReturnType<typeof wellCheckIn> {
    return wellCheckIn(tag, classId, typed);
  }

  /** A photo, taken now. */
  async photo(as: Role = 'lead'): Promise<string> {
    const id = randomUUID();
    const raw = await sharp({ create: { width: 8, height: 8, channels: 3, background: '#888' } })
      .jpeg()
      .toBuffer();
    const answer = await this.yard.ask('PUT', `/api/photos/${id}`, {
      as,
      raw,
      headers: { 'content-type': 'image/jpeg' },
    });
    if (answer.status !== 201) throw new Error(`no photo: ${await answer.text()}`);
    return id;
  }

  /** Somebody else's word, by their PIN, to whoever asks for it. */
  async second(of: Role, to: Role): Promise<{ readonly witnessId: string }> {
    const answer = await this.yard.ask('POST', '/api/witnesses', {
      as: to,
      body: { personId: this.yard.personId(of), pin: '12345' },
    });
    const { witnessId } = await jsonOf<{ witnessId: string }>(answer);
    return { witnessId };
  }

  /** A generator that came back with these checks not in order, its first job begun. Out: that job. */
  async begun(tag: string, found: Found = { 'fuel-leak': 'carburettor' }): Promise<string> {
    await this.fit(tag);
    await this.yard.checkIn(foundCheckIn(tag, 'generator', '100.5', found));
    const jobId = (await this.page(tag)).jobs[0]?.id ?? '';
    await this.yard.enter({ jobId }, 'job-started', {});
    return jobId;
  }

  /** A defect is said to have been all right, or what is said otherwise. */
  close(tag: string, defectId = '', more: object = {}, as: Role = 'technician'): Promise<Response> {
    const facts = { defectId, how: 'was-all-right' as const, why: 'Looked at it', ...more };
    return this.yard.enter({ tag }, 'defect-closed', facts, as);
  }

  /** The next day nobody else has been here yet: whoever asks is alone. */
  async nextDay(only: Role): Promise<void> {
    this.yard.later(24);
    await this.yard.db
      .updateTable('session')
      .set({ seen_at: new Date(this.yard.now.getTime() - 86_400_000) })
      .where('person_id', '<>', this.yard.personId(only))
      .execute();
  }
}

/** Why an entry on a card is refused. */
export async function cardWhy(answer: Response): Promise<CardRefusal | { readonly code: string }> {
  const { code, facts } = await problemIn(answer);
  return code === 'card-refused' ? (facts?.['why'] as CardRefusal) : { code };
}
