import { checksOf, classOf, rulesOf } from '@hudrik/core/catalogue';
import { classOfUnit } from './classOfUnit';
import type { Opening, Role } from '@hudrik/core/contracts';
import type { Facts } from '@hudrik/core/log';
import { judgeCheckIn as judge, presentKit, type Verdict } from '@hudrik/core/verdict';
import type { TakenReading } from '../fleet/meters';
import { refuse } from '../refusal';

type Sent = Facts<'check-in'>;

interface Judging {
  readonly sent: Sent;
  readonly opening: Opening;
  readonly taken: Pick<TakenReading, 'trueHours' | 'unusualOneIn'>;
  readonly role: Role;
}

/** Checks what was sent against the class's lists, then asks for the verdict. */
export function judgeCheckIn({ sent, opening, taken, role }: Judging): Verdict {
  const rules = rulesOf(classOfUnit(opening));
  const ids = (entries: readonly { readonly id: string }[]): string[] => entries.map((entry) => entry.id);
  const checks = sent.answers.map((answer) => answer.check);
  // A phone may still have a check that this unit has not got.
  mustBeOneOf('answers.check', checks, ids(checksOf(classOf(opening.classId))));
  const asked = ids(checksOf(rules.machineClass));
  const answers = sent.answers.filter((answer) => asked.includes(answer.check));
  mustBeOneOf('complaintIds', sent.complaintIds, ids(rules.complaints));
  mustBeOneOf('missing.id', ids(presentKit(sent.missing, rules.machineClass.kit)), ids(rules.machineClass.kit));
  mustBeOneOf('stations.id', ids(sent.stations), ids(rules.machineClass.stations));
  return judge(
    rules,
    { ...sent, answers, ...taken, byApprentice: role === 'apprentice' },
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

export const secondsAt = (sent: Sent, stationId: string): number =>
  sent.stations.find((entry) => entry.id === stationId)?.seconds ?? 0;

function mustBeOneOf(path: string, ids: readonly string[], known: readonly string[]): void {
  const stray = ids.find((id) => !known.includes(id));
  if (stray !== undefined) refuse('not-valid', { field: path, value: stray });
  if (new Set(ids).size !== ids.length) refuse('not-valid', { field: path, value: 'twice' });
}
