import type { ShiftLine } from '@hudrik/core/contracts';
import { CLASS_TAGS } from '@hudrik/core/classTags';
import { sayAgo, sayTime } from '@/writing';

type Facts = ShiftLine['facts'];
const text = (facts: Facts, name: string): string => String(facts[name] ?? '');

/** What is the matter and why now, as sentences, by the line's code. */
const SAY: Readonly<Record<string, (line: ShiftLine) => { what: string; why: string }>> = {
  'back-not-looked-at': ({ facts, because }) => ({
    what: `Back ${sayAgo(text(facts, 'since'))}${because.length > 0 ? `: ${because.join(', ')}` : ''}`,
    why: facts['nextFrom']
      ? `Goes out again ${sayTime(text(facts, 'nextFrom'))}.`
      : 'It may not go out before somebody looked.',
  }),
  overdue: ({ facts }) => ({
    what: `Due back ${sayTime(text(facts, 'dueAt'))}`,
    why: 'Still out. Call the hirer, or check it in.',
  }),
  'unit-not-fit': ({ facts, because }) => ({
    what: `Goes out ${sayTime(text(facts, 'fromAt'))}`,
    why: [because[0] ?? standsAs(facts), facts['nearestFit'] ? `${text(facts, 'nearestFit')} is fit and free.` : '']
      .join(' ')
      .trim(),
  }),
  'class-short': ({ facts, classId }) => ({
    what: `Goes out ${sayTime(text(facts, 'fromAt'))}`,
    why: `Any ${CLASS_TAGS[classId].name.toLowerCase()} was promised, and no fit one is left.`,
  }),
  'out-dangerous': ({ facts, because, reference }) => ({
    what: because.join(' '),
    why: `With the hirer of ${reference}${sayHirer(facts)}. Have it stopped, left as it is, and brought back.`,
  }),
  'left-anyway': ({ facts, because, reference }) => ({
    what: 'It left without being handed out',
    why: `On ${reference}${sayHirer(facts)}. ${because.join(' ')} It comes back held.`,
  }),
  held: ({ because, facts }) => ({
    what: because[0] ?? 'Held',
    why: `Since ${sayTime(text(facts, 'since'))}.${because.length > 1 ? ` And ${because.length - 1} more.` : ''}`,
  }),
  'in-work': ({ facts, because }) => ({
    what: text(facts, 'title'),
    why: [facts['by'] ? `With ${text(facts, 'by')}.` : '', because[0] ?? ''].join(' ').trim(),
  }),
  'to-sign': ({ facts }) => ({
    what: 'To be signed',
    why: `${text(facts, 'by')} asks for a signature, ${sayAgo(text(facts, 'since'))}.`,
  }),
  'service-due': ({ facts, because }) => ({
    what: `Service: ${because.slice(0, 3).join(', ')}${because.length > 3 ? ` and ${because.length - 3} more` : ''}`,
    why: facts['overdue']
      ? 'Overdue.'
      : facts['runsOutDuring']
        ? `It would run out on ${text(facts, 'runsOutDuring')}.`
        : 'Best done now, together.',
  }),
};

const sayHirer = (facts: Facts): string =>
  ['hirer', 'phone'].map((name) => (text(facts, name) === '' ? '' : `, ${text(facts, name)}`)).join('');

function standsAs(facts: Facts): string {
  if (facts['backAt']) return 'Back, and not looked at.';
  if (facts['dueAt']) return `Still out until ${sayTime(text(facts, 'dueAt'))}.`;
  return 'Not fit.';
}

export function sayShiftLine(line: ShiftLine): { what: string; why: string } {
  const { what, why } = SAY[line.code]?.(line) ?? { what: line.code, why: line.because.join(' ') };
  return { what, why: `${why}${sayPlanned(line.facts)}`.trim() };
}

/** Who is to work on it, and from when, by the plan of the bench. */
function sayPlanned(facts: Facts): string {
  if (!facts['plannedFrom']) return '';
  return ` Planned ${sayTime(text(facts, 'plannedFrom'))} with ${text(facts, 'plannedWho')}.`;
}
