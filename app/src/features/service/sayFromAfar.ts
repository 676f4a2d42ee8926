import type { EquipmentReply, FromAfar } from '@hudrik/core/contracts';
import { sayAgo, sayFigure } from '@/writing';

/** What is wrong with hours that a machine told, after the figure. */
const ODD: Readonly<Record<string, string>> = {
  'below-last': 'below its last reading',
  'past-its-roll': 'more than its meter can show',
  'faster-than-clock': 'more than the clock allows',
};
const NOT_TAKEN: Readonly<Record<string, string>> = {
  'not-ours': 'is no unit of ours',
  'in-future': 'tells a time that is still to come',
  unreadable: 'cannot be read',
  'odd-signs': 'holds signs that are none',
  'no-name': 'has neither name nor serial number',
  'no-hours': 'tells no hours',
  'no-time': 'tells no time',
};

/** What of the machines’ feed asks for a look, a sentence each. */
export const sayEquipment = ({ silent, odd, notTaken, refused }: EquipmentReply): string[] => [
  ...silent.map(({ tag, toldAt }) => `${tag} is silent: it told its hours last ${sayAgo(toldAt)}.`),
  ...odd.map(({ tag, problem, told }) => `${tag} told ${sayFigure(told)}, ${ODD[problem] ?? problem}: not counted.`),
  ...notTaken.map(
    ({ name, line, problem }) => `${name}${line === null ? '' : ` (line ${line})`} ${NOT_TAKEN[problem] ?? problem}.`,
  ),
  ...(refused > notTaken.length ? [`And ${refused - notTaken.length} more.`] : []),
];

/** What a unit’s machine tells of itself: its hours, what is wrong with them, and where it was. */
export function sayFromAfar({ told, toldAt, problem, reading, readAt, isSilent, latitude, longitude }: FromAfar) {
  const counted = reading === null || readAt === null ? '' : ` Its ${sayFigure(reading)} of ${sayAgo(readAt)} counts.`;
  const hours = problem
    ? `From afar it told ${sayFigure(told)} ${sayAgo(toldAt)}, ${ODD[problem] ?? problem}: not counted.${counted}`
    : `From afar: ${sayFigure(told)} h, ${sayAgo(toldAt)}.`;
  return {
    hours: isSilent ? `${hours} Silent since.` : hours,
    place: latitude === null || longitude === null ? null : `${latitude.toFixed(4)}, ${longitude.toFixed(4)}`,
    isWrong: isSilent || problem !== null,
  };
}
