import type { ReadingFinding, Slip } from '@hudrik/core/hours';
import { sayFigure, sayHours } from '@/writing';

const days = (hireDays: number): string => (hireDays < 1.5 ? 'a day' : `${Math.round(hireDays)} days`);

/** What is odd about a reading, in words. */
export function sayFinding(finding: ReadingFinding): string {
  switch (finding.code) {
    case 'below-last':
      return `That is ${sayHours(finding.by)} below the last reading, ${sayFigure(finding.lastReading)}. A meter does not run backwards.`;
    case 'below-fitted':
      return `That is ${sayHours(finding.by)} below the ${sayFigure(finding.fittedAt)} that the new meter showed when it was fitted.`;
    case 'past-its-roll':
      return `A meter that starts again at ${finding.rollsAt} cannot show that.`;
    case 'faster-than-clock':
      return `That is ${sayFigure(finding.hoursRun)} running hours, and only ${sayFigure(finding.clockHours)} hours have passed.`;
    case 'unusually-high':
      return `${sayHours(finding.hoursRun)} in ${days(finding.hireDays)} out is far more than this unit usually runs (about ${finding.expected} h): 1 hire in ${finding.oneIn}.`;
    case 'unusually-low':
      return `${sayHours(finding.hoursRun)} in ${days(finding.hireDays)} out is far less than this unit usually runs (about ${finding.expected} h): 1 hire in ${finding.oneIn}. Does the meter work?`;
  }
}

const SLIP: Readonly<Record<Slip, string>> = {
  'swapped-digits': 'Two figures swapped.',
  'missing-point': 'The point left out.',
  'dropped-digit': 'A figure left out.',
  'doubled-digit': 'A figure typed twice.',
  'wrong-digit': 'One figure wrong.',
};

export const saySlip = (slip: Slip): string => SLIP[slip];
