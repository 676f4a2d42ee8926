import { randomUUID } from 'node:crypto';
import { checksOf, classOf, looksOnHandOut, type ClassId, type Limit } from '@hudrik/core/catalogue';
import type { Facts } from '@hudrik/core/log';

/** A check-in as a device has it. */
export interface SampleCheckIn {
  readonly id: string;
  readonly tag: string;
  readonly facts: Facts<'check-in'>;
}

/** Of a sample: whoever enters it says when it was begun. */
export const BEGUN = '2030-03-04T08:50:00Z';

type More = Partial<Facts<'check-in'>> & { readonly id?: string };

export const middleOf = (limit: Limit): number =>
  limit.kind === 'within' ? (limit.min + limit.max) / 2 : limit.kind === 'at-least' ? limit.min : limit.max;

/** Something that came off, as a device sends it. */
export const thingOff = (what: string, more: Partial<Facts<'taken-off'>> = {}): Facts<'taken-off'> => ({
  thingId: randomUUID(),
  what,
  key: null,
  tray: 'A',
  place: 1,
  fasteners: [],
  orientation: '',
  linkHole: '',
  stack: [],
  quarterTurns: null,
  system: 'none',
  ...more,
});

/** A unit handed out as it should be: its kit counted, looked at as it goes. */
export const handOut = (
  classId: ClassId,
  typed: string,
  more: Partial<Facts<'check-out'>> = {},
): Facts<'check-out'> => ({
  ...{ hire: null, dueAt: null, hours: { typed, confirmed: false, meterEvent: null }, fuelEighths: 8 },
  kit: classOf(classId).kit.map(({ id, count }) => ({ id, count })),
  looks: looksOnHandOut(classOf(classId)).map(({ id }) => id),
  waiverReason: '',
  ...more,
});

/** A check-in of a unit in which all is well, unless said otherwise. */
export function wellCheckIn(tag: string, classId: ClassId, typed: string, { id, ...more }: More = {}): SampleCheckIn {
  const machineClass = classOf(classId);
  return {
    id: id ?? randomUUID(),
    tag,
    facts: {
      startedAt: BEGUN,
      basedOn: null,
      secondLookOf: null,
      hours: { typed, confirmed: false, meterEvent: null },
      fuelEighths: 8,
      fuelTap: 'was-shut',
      ended: 'well',
      missing: [],
      complaintIds: [],
      remarks: '',
      answers: checksOf(machineClass).map((check) => ({
        check: check.id,
        result: 'ok',
        reading: check.measured && { value: middleOf(check.measured.limit), unit: check.measured.unit },
        photos: [],
      })),
      stations: machineClass.stations.map((station) => ({ id: station.id, seconds: 60 })),
      ...more,
    },
  };
}

/** The same with some checks not OK. */
export function foundCheckIn(
  tag: string,
  classId: ClassId,
  typed: string,
  found: Readonly<Record<string, string>>,
  more: More = {},
): SampleCheckIn {
  const well = wellCheckIn(tag, classId, typed, more);
  const answers = well.facts.answers.map((answer) => {
    const exception = found[answer.check];
    return exception === undefined ? answer : { ...answer, result: 'not-ok' as const, exception, reading: undefined };
  });
  return { ...well, facts: { ...well.facts, answers } };
}
