import { classOf, rulesOf } from '@hudrik/core/catalogue';
import type { Opening } from '@hudrik/core/contracts';
import { assessReading, replaceMeter, rollOver, trueHours, type ReadingAssessment } from '@hudrik/core/hours';
import type { Facts } from '@hudrik/core/log';
import { judgeCheckIn, type Verdict } from '@hudrik/core/verdict';

export type CheckInFacts = Facts<'check-in'>;
export type DraftAnswer = CheckInFacts['answers'][number];

/** A check-in as far as it has come. Null means not answered yet. */
export interface Draft {
  readonly id: string;
  readonly tag: string;
  readonly startedAt: string;
  readonly opening: Opening;
  readonly secondLookOf: string | null;
  readonly leaf: number;
  readonly typed: string;
  readonly confirmed: boolean;
  readonly meterEvent: CheckInFacts['hours']['meterEvent'];
  readonly fuelEighths: number | null;
  readonly fuelTap: 'was-shut' | 'shut-now' | null;
  readonly ended: CheckInFacts['ended'] | null;
  readonly missing: Readonly<Record<string, number>> | null;
  readonly complaintIds: readonly string[];
  readonly remarks: string;
  readonly answers: Readonly<Record<string, DraftAnswer>>;
  readonly seconds: Readonly<Record<string, number>>;
}

export const startDraft = (opening: Opening, id: string, at: Date): Draft => ({
  id,
  tag: opening.tag,
  startedAt: at.toISOString(),
  opening,
  secondLookOf: null,
  leaf: 0,
  typed: '',
  confirmed: false,
  meterEvent: null,
  fuelEighths: null,
  fuelTap: null,
  ended: null,
  missing: null,
  complaintIds: [],
  remarks: '',
  answers: {},
  seconds: {},
});

export type Leaf =
  | { readonly kind: 'hours' | 'fuel' | 'noticed' | 'verdict'; readonly name: string }
  | { readonly kind: 'station'; readonly name: string; readonly stationId: string };

/** The leaves in their order: one a station of the walk-round. */
export const leavesOf = (classId: string): readonly Leaf[] => [
  { kind: 'hours', name: 'Hours' },
  { kind: 'fuel', name: 'Fuel and kit' },
  { kind: 'noticed', name: 'What the hirer noticed' },
  ...classOf(classId).stations.map((station): Leaf => ({ kind: 'station', name: station.name, stationId: station.id })),
  { kind: 'verdict', name: 'Verdict' },
];

const hireDays = (opening: Opening, now: number): number =>
  opening.hire ? Math.max((now - Date.parse(opening.hire.outAt ?? opening.hire.fromAt)) / 86_400_000, 0.25) : 0;

/** What is odd about the hours as typed; null while there are none. */
export function assessDraftHours(draft: Draft, now: Date): ReadingAssessment | null {
  if (!/^\d+(\.\d)?$/.test(draft.typed)) return null;
  const { opening, meterEvent } = draft;
  return assessReading(meterEvent ? String(draftTrueHours(draft)) : draft.typed, {
    lastReading: meterEvent ? opening.trueHours : opening.lastReading,
    clockHours: (now.getTime() - Date.parse(opening.lastReadAt)) / 3_600_000,
    hireDays: hireDays(opening, now.getTime()),
    use: opening.use,
  });
}

export function draftTrueHours({ typed, opening, meterEvent }: Draft): number {
  const old = { offsetHours: opening.meterOffset };
  if (meterEvent?.kind === 'rolled-over') return trueHours(Number(typed), rollOver(old, meterEvent.rollsAt ?? 1000));
  if (meterEvent?.kind === 'replaced')
    return trueHours(
      Number(typed),
      replaceMeter(trueHours(meterEvent.oldReading ?? opening.lastReading, old), meterEvent.newMeterShows),
    );
  return trueHours(Number(typed), old);
}

/** Whether the person may go past a leaf. */
export function leafIsDone(draft: Draft, leaf: Leaf, now: Date): boolean {
  switch (leaf.kind) {
    case 'hours':
      return hoursAreSettled(draft, now);
    case 'fuel':
      return draft.fuelEighths !== null && draft.fuelTap !== null && draft.ended !== null && draft.missing !== null;
    case 'noticed':
      return true;
    case 'station':
      return stationOf(draft, leaf.stationId).checks.every((check) => draft.answers[check.id] !== undefined);
    case 'verdict':
      return false;
  }
}

function hoursAreSettled(draft: Draft, now: Date): boolean {
  const assessed = assessDraftHours(draft, now);
  const finding = assessed?.findings[0];
  if (assessed === null || finding?.code === 'below-last') return false;
  return finding === undefined || draft.confirmed;
}

export function stationOf(draft: Draft, stationId: string) {
  const station = classOf(draft.opening.classId).stations.find((entry) => entry.id === stationId);
  if (station === undefined) throw new Error(`No such station: ${stationId}`);
  return station;
}

/** What is written down of the check-in. */
export function factsOf(draft: Draft): CheckInFacts {
  const stations = classOf(draft.opening.classId).stations;
  return {
    startedAt: draft.startedAt,
    basedOn: draft.opening.basedOn,
    secondLookOf: draft.secondLookOf,
    hours: { typed: draft.typed.replace(/\.$/, ''), confirmed: draft.confirmed, meterEvent: draft.meterEvent },
    fuelEighths: draft.fuelEighths ?? 0,
    fuelTap: draft.fuelTap ?? 'none',
    ended: draft.ended ?? 'not-told',
    missing: Object.entries(draft.missing ?? {}).flatMap(([id, count]) => (count > 0 ? [{ id, count }] : [])),
    complaintIds: [...draft.complaintIds],
    remarks: draft.remarks,
    answers: Object.values(draft.answers),
    stations: stations.map((station) => ({
      id: station.id,
      seconds: Math.round((draft.seconds[station.id] ?? 0) * 10) / 10,
    })),
  };
}

/** The verdict as the device sees it; the server decides by the same rules. */
export function judgeDraft(draft: Draft, byApprentice: boolean, now: Date): Verdict {
  const { opening } = draft;
  const facts = factsOf(draft);
  const finding = assessDraftHours(draft, now)?.findings[0];
  return judgeCheckIn(
    rulesOf(classOf(opening.classId)),
    {
      ...facts,
      trueHours: draftTrueHours(draft),
      unusualOneIn: finding && 'oneIn' in finding ? finding.oneIn : 0,
      byApprentice,
    },
    {
      trueHours: opening.trueHours,
      hoursToOilService: opening.hoursToOilService,
      nextHireHours: opening.nextHire ? opening.nextHireHours : null,
      wentOutWithEighths: opening.wentOut?.fuelEighths ?? null,
      wentOutWithKit: opening.wentOut?.kit ?? null,
    },
  );
}
