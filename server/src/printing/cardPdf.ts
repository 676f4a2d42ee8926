import { workedMinutes, type Card } from '@hudrik/core/card';
import { CAUTIONS, entryOf, FAULTS } from '@hudrik/core/catalogue';
import type { CardReply } from '@hudrik/core/contracts';
import { cardOf } from '@hudrik/core/log';
import type { Thing } from '@hudrik/core/teardown';
import { readCard } from '../cards/readCard';
import type { Context } from '../context';
import { readSettings } from '../people/settings';
import { head, section, sign, table, ticks, type Sheet } from './sheet';
import { writingOf } from './writing';

const THING_WORD = {
  off: 'off',
  back: 'back',
  replaced: 'replaced by',
  'on-trial': 'for the trial:',
  'struck-off': 'stays as it is:',
} as const;

type Day = (instant: string) => string;

/** A job's card on paper: enough for somebody else to go on by it. */
export async function cardPdf(context: Context, jobId: string, origin: string): Promise<Buffer> {
  const [reply, settings] = await Promise.all([readCard(context, jobId), readSettings(context.db)]);
  return context.paper.make(cardSheet(reply, writingOf(settings).day, origin));
}

export function cardSheet(reply: CardReply, day: Day, origin: string): Sheet {
  const card = cardOf(reply.entries);
  const { visit, unit, causes, comeback, jobs } = reply;
  return {
    title: `${unit.tag} visit ${visit.id}`,
    content: [
      ...head({
        tag: unit.tag,
        title: jobs.map((job) => job.title).join('; '),
        under: underHead(reply, day),
        link: `${origin}/u/${unit.tag}`,
      }),
      ...section('A comeback', comeback ? [comebackLine(comeback, day)] : []),
      ...section('Mind', cautionsOf(reply, card)),
      ...section(
        'Causes',
        causes.map((id) => entryOf(FAULTS, id)?.name ?? id),
      ),
      ...section(
        'What is wrong',
        reply.defects.map((defect) => `${defect.sentence} ${defect.closer}`),
      ),
      ...jobs.flatMap((job) => section(`Steps: ${job.title}`, stepsOf(card, job.id, day))),
      ...section('Steps', stepsOf(card, null, day)),
      ...section('Taken off, in order', tableOfThings(card)),
      ...section('Readings', readingsOf(card, day)),
      ...section('Parts', tableOfParts(reply)),
      ...section(
        'Notes',
        card.notes.map((note) => `${day(note.at)} ${note.by ?? ''}: ${note.facts.text}`),
      ),
      ...section(
        'Time worked',
        Object.entries(workedMinutes(card)).map(([who, minutes]) => `${who}: ${minutes} min`),
      ),
      ...sign('Proved and signed'),
    ],
  };
}

const underHead = ({ jobs, unit }: CardReply, day: Day): string[] => [
  `${unit.model}, serial ${unit.serial}, ${unit.trueHours} h`,
  ...jobs.map(
    (job) => `Job ${job.id}, raised ${day(job.raisedAt)}${job.startedBy ? `, begun by ${job.startedBy}` : ''}`,
  ),
  ...new Set(jobs.flatMap((job) => job.why)),
];

const comebackLine = ({ title, closedAt, days, hours, did }: NonNullable<CardReply['comeback']>, day: Day): string =>
  `${title}, ${day(closedAt)}: ${days} days${hours === null ? '' : `, ${hours} h`} ago. ${did}`;

function cautionsOf({ jobs }: CardReply, card: Card): string[] {
  const ids = new Set([...jobs.map((job) => job.caution), ...card.steps.map((step) => step.caution)]);
  return [...ids].flatMap((id) => entryOf(CAUTIONS, id ?? '') ?? []);
}

/** The steps under a job's heading; without one, those that stand under none (older cards do not say). */
const stepsOf = (card: Card, jobId: string | null, day: Day) =>
  ticks(
    card.steps
      .filter((step) => step.state !== 'dropped' && step.jobId === jobId)
      .map((step) => ({
        text: step.title,
        done: step.state === 'done',
        ...(step.by ? { under: `${step.by}, ${day(step.at ?? '')}` } : {}),
      })),
  );

const howItSat = (thing: Thing): string =>
  [
    thing.orientation,
    thing.linkHole ? `hole ${thing.linkHole}` : '',
    thing.stack.length > 0 ? `stack: ${thing.stack.join(' / ')}` : '',
    thing.quarterTurns === null ? '' : `${thing.quarterTurns / 4} turns`,
  ]
    .filter(Boolean)
    .join('. ');

const fastenersOf = (thing: Thing): string =>
  thing.fasteners.map((entry) => `${entry.count} × ${entry.size}${entry.place ? `, ${entry.place}` : ''}`).join('; ');

const tableOfThings = (card: Card) =>
  table(
    [
      { title: '', share: 1 },
      { title: 'What', share: 6 },
      { title: 'Tray', share: 2 },
      { title: 'Fasteners', share: 5 },
      { title: 'How it sat', share: 6 },
      { title: 'Now', share: 4 },
    ],
    card.ledger.things.map((thing, at) => [
      String(at + 1),
      thing.what,
      `${thing.tray} ${thing.place}`,
      fastenersOf(thing),
      howItSat(thing),
      `${THING_WORD[thing.state]}${thing.by ? ` ${thing.by}` : ''}`,
    ]),
  );

const readingsOf = (card: Card, day: Day): string[] =>
  card.readings.map(
    (reading) =>
      `${reading.when}: ${reading.reading} ${Object.values(reading.given).join(' ')} (${reading.outcome}), ${reading.by ?? ''} ${day(reading.at)}`,
  );

const tableOfParts = ({ parts }: CardReply) =>
  table(
    [
      { title: 'Number', share: 3 },
      { title: 'What', share: 6 },
      { title: 'Count', share: 2, right: true },
      { title: 'State', share: 2 },
      { title: 'Place', share: 2 },
    ],
    parts.map((part) => [part.number, part.name, String(part.count), part.state, part.place]),
  );
