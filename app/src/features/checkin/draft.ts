import { folderOf, rulesOf, type Check, type MachineClass } from '@hudrik/core/catalogue';
import { classFor, ratedOf } from '@hudrik/core/ratings';
import type { Opening } from '@hudrik/core/contracts';
import { isImpossible, readMeter, type MeterRead, type ReadingAssessment } from '@hudrik/core/hours';
import { NOT_LOOKED_AT, NOT_POSSIBLE } from '@hudrik/core/defects';
import type { Facts } from '@hudrik/core/log';
import { judgeCheckIn, type Verdict } from '@hudrik/core/verdict';

export type CheckInFacts = Facts<'check-in'>;
export type DraftAnswer = CheckInFacts['answers'][number];

/** A check-in as far as it has come. Null means not answered yet. */
export interface Draft {
  readonly id: string;
  readonly tag: string;
  readonly startedAt: string;
  /** One was begun before it was handed out: this one begins anew. */
  readonly isAnew?: boolean;
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
  /** Somebody tried, and it did not start. */
  readonly willNotStart?: boolean;
  /** How it was put away and stood, as far as it was told. */
  readonly past?: NonNullable<CheckInFacts['past']>;
  /** What a check found before and is in order now, by the defect: how that came. */
  readonly settled?: Readonly<Record<string, Settled>>;
  /** What was told and is dangerous, by the defect: what this look showed of it. */
  readonly dangers?: Readonly<Record<string, DangerSaid>>;
  /** What was not found, or is lived with, by the defect: whether it showed again. */
  readonly again?: Readonly<Record<string, boolean>>;
}

/** Whether a danger that was told showed, and what was seen. */
export interface DangerSaid {
  readonly showed: 'yes' | 'no' | 'not-tried';
  readonly why: string;
}

export interface Settled {
  readonly how: 'put-right' | 'was-all-right';
  readonly why: string;
}

export function startDraft(opening: Opening, id: string, at: Date): Draft {
  const draft = emptyDraft(opening, id, at);
  return opening.atGate?.runs === 'no' ? { ...draft, ...notStarting(draft, true) } : draft;
}

const emptyDraft = (opening: Opening, id: string, at: Date): Draft => ({
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
  complaintIds: [...(opening.told ?? [])],
  remarks: '',
  answers: {},
  seconds: {},
});

export type Leaf =
  | { readonly kind: 'hours' | 'fuel' | 'noticed' | 'verdict'; readonly name: string }
  | { readonly kind: 'station'; readonly name: string; readonly stationId: string };

/** The leaves in their order: one a station of the walk-round. */
/** The class as this unit is looked at: with its own limits, without the checks for what it has not got. Drafts of before know neither. */
function classOfDraft({ opening }: Pick<Draft, 'opening'>): MachineClass {
  const { machineClass, rated } = folderOf(opening.classId);
  const { model = {}, unit = {} }: Partial<Opening['ratings']> = opening.ratings ?? {};
  return classFor(machineClass, rated, ratedOf(rated, model, unit), opening.notFitted ?? []);
}

export const leavesOf = (draft: Pick<Draft, 'opening'>): readonly Leaf[] => [
  { kind: 'hours', name: 'Hours' },
  { kind: 'fuel', name: 'Fuel and kit' },
  { kind: 'noticed', name: 'What the hirer noticed' },
  ...classOfDraft(draft).stations.map((station): Leaf => ({
    kind: 'station',
    name: station.name,
    stationId: station.id,
  })),
  { kind: 'verdict', name: 'Verdict' },
];

const hireDays = (opening: Opening, now: number): number =>
  opening.hire ? Math.max((now - Date.parse(opening.hire.outAt ?? opening.hire.fromAt)) / 86_400_000, 0.25) : 0;

/** What the meter shows as typed, on the meter that it is; null while there are no figures. */
function readDraftMeter({ typed, opening, meterEvent }: Draft, now: Date): MeterRead | null {
  if (!/^\d+(\.\d)?$/.test(typed)) return null;
  return readMeter(typed, { lastReading: opening.lastReading, offsetHours: opening.meterOffset }, meterEvent, {
    clockHours: (now.getTime() - Date.parse(opening.lastReadAt)) / 3_600_000,
    hireDays: hireDays(opening, now.getTime()),
    use: opening.use,
  });
}

/** What is odd about the hours as typed; null while there are none. */
export const assessDraftHours = (draft: Draft, now: Date): ReadingAssessment | null =>
  readDraftMeter(draft, now)?.assessment ?? null;

/** NaN while there are no figures. */
export const draftTrueHours = (draft: Draft): number =>
  readDraftMeter(draft, new Date(draft.startedAt))?.trueHours ?? Number.NaN;

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
  if (assessed === null || (finding !== undefined && isImpossible(finding))) return false;
  return finding === undefined || draft.confirmed;
}

export function stationOf(draft: Draft, stationId: string) {
  const station = classOfDraft(draft).stations.find((entry) => entry.id === stationId);
  if (station === undefined) throw new Error(`No such station: ${stationId}`);
  return station;
}

/** It starts where something that needs it running was found in order. */
function startsOf(draft: Draft): Pick<CheckInFacts, 'starts'> {
  if (draft.willNotStart === true) return { starts: 'will-not-start' };
  const ran = checksOfDraft(draft).some((check) => check.running && draft.answers[check.id]?.result === 'ok');
  return { starts: ran ? 'starts' : 'not-tried' };
}

const checksOfDraft = (draft: Draft): readonly Check[] =>
  classOfDraft(draft).stations.flatMap((station) => station.checks);

/** An engine that does not start is not asked to run: what needs it running is not possible, and stays open as such. */
export function notStarting(draft: Draft, willNotStart: boolean): Partial<Draft> {
  const running = checksOfDraft(draft).filter((check) => check.running);
  const others = Object.fromEntries(
    Object.entries(draft.answers).filter(([id]) => !running.some((check) => check.id === id)),
  );
  const notPossible = running.map((check): [string, DraftAnswer] => [
    check.id,
    { check: check.id, result: 'not-possible', because: 'will-not-start', photos: [] },
  ]);
  return { willNotStart, answers: willNotStart ? { ...others, ...Object.fromEntries(notPossible) } : others };
}

/** What is open of the unit and was found in order now: who looked is asked how that came. */
export const foundInOrder = (draft: Draft): Opening['defects'] =>
  (draft.opening.defects ?? []).filter(
    ({ origin }) => origin.kind === 'check' && draft.answers[origin.id]?.result === 'ok' && !isOnlyNotSeen(origin),
  );

const isOnlyNotSeen = ({ exception }: Opening['defects'][number]['origin']): boolean =>
  exception === NOT_LOOKED_AT || exception === NOT_POSSIBLE;

/** What was told of it and is dangerous: each is answered. */
export const toldDangers = ({ opening }: Pick<Draft, 'opening'>): Opening['defects'] =>
  (opening.defects ?? []).filter(({ origin, safety }) => origin.kind === 'told' && safety);

/** What is written down of the check-in. */
export function factsOf(draft: Draft): CheckInFacts {
  const { stations } = classOfDraft(draft);
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
    ...startsOf(draft),
    ...(draft.past === undefined ? {} : { past: draft.past }),
    ...(draft.settled === undefined
      ? {}
      : {
          settled: Object.entries(draft.settled).map(([defectId, { how, why }]) => ({
            defectId,
            how,
            why: why.trim(),
          })),
        }),
    ...(draft.dangers === undefined
      ? {}
      : {
          dangers: Object.entries(draft.dangers).map(([defectId, said]) => ({
            defectId,
            ...said,
            why: said.why.trim(),
          })),
        }),
    ...(draft.again === undefined
      ? {}
      : { again: Object.entries(draft.again).map(([defectId, showed]) => ({ defectId, showed })) }),
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
    rulesOf(classOfDraft(draft)),
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
      comebacks: opening.comebacks,
      kitPrices: opening.kitPrices,
    },
  );
}
