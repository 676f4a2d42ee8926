import { randomUUID } from 'node:crypto';
import { checksOf, classOf, type ClassId } from '@hudrik/core/catalogue';
import type { NewCheckIn } from '@hudrik/core/contracts';

/** A check-in of a unit in which all is well, unless said otherwise. */
export function wellCheckIn(tag: string, classId: ClassId, typed: string, more: Partial<NewCheckIn> = {}): NewCheckIn {
  const machineClass = classOf(classId);
  return {
    id: randomUUID(),
    tag,
    startedAt: '2030-03-04T08:50:00Z',
    basedOn: null,
    secondLookOf: null,
    hours: { typed, confirmed: false, meterEvent: null },
    fuelEighths: 8,
    fuelTap: 'was-shut',
    ended: 'well',
    missing: [],
    told: [],
    remarks: '',
    answers: checksOf(machineClass).map((check) => ({ check: check.id, result: 'ok', reading: undefined, photos: [] })),
    stations: machineClass.stations.map((station) => ({ id: station.id, seconds: 60 })),
    ...more,
  } as NewCheckIn;
}

/** The same with one check not OK. */
export function foundCheckIn(
  tag: string,
  classId: ClassId,
  typed: string,
  found: Readonly<Record<string, string>>,
  more: Partial<NewCheckIn> = {},
): NewCheckIn {
  const well = wellCheckIn(tag, classId, typed, more);
  return {
    ...well,
    answers: well.answers.map((answer) =>
      found[answer.check] ? { ...answer, result: 'not-ok', exception: found[answer.check] } : answer,
    ),
  } as NewCheckIn;
}
