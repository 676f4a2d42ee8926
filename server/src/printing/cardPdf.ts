import { cardOf } from '@hudrik/core/card';
import { CAUTIONS, FAULTS, type CautionId, type FaultId } from '@hudrik/core/catalogue';
import { readCard } from '../cards/readCard';
import type { Context } from '../context';
import { Paper } from './Paper';

const THING_WORD = {
  off: 'off',
  back: 'back',
  replaced: 'replaced by',
  'on-trial': 'for the trial:',
  struck: 'stays as it is:',
} as const;
const day = (instant: string): string => instant.slice(0, 16).replace('T', ' ');

/** A job's card on paper: enough for somebody else to go on by it. */
export async function cardPdf(context: Context, jobId: string, origin: string): Promise<Buffer> {
  const { job, unit, entries, parts, causes, comeback } = await readCard(context, jobId);
  const card = cardOf(entries);
  const paper = new Paper(`${unit.tag} job ${jobId}`);
  paper.head(
    unit.tag,
    job.title,
    [
      `${unit.model}, serial ${unit.serial}, ${unit.trueHours} h`,
      `Job ${job.id}, raised ${day(job.raisedAt)}${job.startedBy ? `, begun by ${job.startedBy}` : ''}`,
      ...job.why,
    ],
    `${origin}/u/${unit.tag}`,
  );
  if (comeback)
    paper
      .section('A comeback')
      .lines([
        `${comeback.title}, ${day(comeback.closedAt)}: ${comeback.days} days${comeback.hours === null ? '' : `, ${comeback.hours} h`} ago. ${comeback.did}`,
      ]);
  const cautions = [
    ...new Set(
      [job.caution, ...card.steps.map((step) => step.caution)].flatMap((id) =>
        id && Object.hasOwn(CAUTIONS, id) ? CAUTIONS[id as CautionId] : [],
      ),
    ),
  ];
  if (cautions.length > 0) paper.section('Mind').lines(cautions);
  if (causes.length > 0) paper.section('Causes').lines(causes.map((id) => FAULTS[id as FaultId]?.name ?? id));
  paper.section('Steps').ticks(
    card.steps
      .filter((step) => step.state !== 'dropped')
      .map((step) => ({
        text: step.title,
        done: step.state === 'done',
        ...(step.by ? { under: `${step.by}, ${day(step.at ?? '')}` } : {}),
      })),
  );
  if (card.ledger.things.length > 0) {
    paper.section('Taken off, in order').table(
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
        thing.fasteners
          .map((entry) => `${entry.count} × ${entry.size}${entry.place ? `, ${entry.place}` : ''}`)
          .join('; '),
        [
          thing.orientation,
          thing.linkHole ? `hole ${thing.linkHole}` : '',
          thing.stack.length > 0 ? `stack: ${thing.stack.join(' / ')}` : '',
          thing.quarterTurns === null ? '' : `${thing.quarterTurns / 4} turns`,
        ]
          .filter(Boolean)
          .join('. '),
        `${THING_WORD[thing.state]}${thing.by ? ` ${thing.by}` : ''}`,
      ]),
    );
  }
  if (card.readings.length > 0)
    paper
      .section('Readings')
      .lines(
        card.readings.map(
          (reading) =>
            `${reading.when}: ${reading.reading} ${Object.values(reading.given).join(' ')} (${reading.outcome}), ${reading.by ?? ''} ${day(reading.at)}`,
        ),
      );
  if (parts.length > 0)
    paper.section('Parts').table(
      [
        { title: 'Number', share: 3 },
        { title: 'What', share: 6 },
        { title: 'Count', share: 1, right: true },
        { title: 'State', share: 2 },
        { title: 'Place', share: 2 },
      ],
      parts.map((part) => [part.number, part.name, String(part.count), part.state, part.place]),
    );
  if (card.notes.length > 0)
    paper.section('Notes').lines(card.notes.map((note) => `${day(note.at)} ${note.by ?? ''}: ${note.facts.text}`));
  const minutes = Object.entries(card.handsOn.minutes);
  if (minutes.length > 0) paper.section('Hands on').lines(minutes.map(([who, spent]) => `${who}: ${spent} min`));
  return paper.sign('Proven and signed').end();
}
