import { checksOf, classOf, rulesOf } from '@hudrik/core/catalogue';
import type { NewCheckIn, Opening, Role } from '@hudrik/core/contracts';
import { judgeCheckIn as judge, type Verdict } from '@hudrik/core/verdict';
import { refuse } from '../refusal';

interface Judging {
  readonly sent: NewCheckIn;
  readonly opening: Opening;
  readonly trueHours: number;
  readonly unusualOneIn: number;
  readonly role: Role;
}

/** Checks what was sent against the class's lists, then asks for the verdict. */
export function judgeCheckIn({ sent, opening, trueHours, unusualOneIn, role }: Judging): Verdict {
  const rules = rulesOf(classOf(opening.classId));
  mustBeOneOf(
    'answers.check',
    sent.answers.map((answer) => answer.check),
    checksOf(rules.machineClass),
  );
  mustBeOneOf('complaintIds', sent.complaintIds, rules.complaints);
  mustBeOneOf(
    'missing.id',
    sent.missing.map((entry) => entry.id),
    rules.machineClass.kit,
  );
  mustBeOneOf(
    'stations.id',
    sent.stations.map((entry) => entry.id),
    rules.machineClass.stations,
  );
  return judge(
    rules,
    { ...sent, trueHours, unusualOneIn, byApprentice: role === 'apprentice' },
    {
      trueHours: opening.trueHours,
      hoursToOilService: opening.hoursToOilService,
      nextHireHours: opening.nextHire ? opening.nextHireHours : null,
      wentOutWithEighths: opening.wentOut?.fuelEighths ?? null,
      wentOutWithKit: opening.wentOut?.kit ?? null,
    },
  );
}

export const secondsAt = (sent: NewCheckIn, stationId: string): number =>
  sent.stations.find((entry) => entry.id === stationId)?.seconds ?? 0;

function mustBeOneOf(path: string, ids: readonly string[], entries: readonly { readonly id: string }[]): void {
  const stray = ids.find((id) => !entries.some((entry) => entry.id === id));
  if (stray !== undefined) refuse('not-valid', { field: path, value: stray });
  if (new Set(ids).size !== ids.length) refuse('not-valid', { field: path, value: 'twice' });
}
