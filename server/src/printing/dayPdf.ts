import type { BenchReply } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { readBench } from '../bench/readBench';
import { readSettings } from '../people/settings';
import { refuse } from '../refusal';
import { head, section, ticks, type Sheet } from './sheet';
import { writingOf } from './writing';

const MINUTE_MS = 60_000;

type Day = (instant: string) => string;

/** What somebody has to do today, on paper: in its order, with times, waits that run meanwhile, and what each is for. */
export async function dayPdf(context: Context, personId: string, origin: string): Promise<Buffer> {
  const [bench, settings] = await Promise.all([readBench(context), readSettings(context.db)]);
  return context.paper.make(daySheet(bench, personId, writingOf(settings).day, origin));
}

function daySheet(bench: BenchReply, personId: string, day: Day, origin: string): Sheet {
  const person = bench.people.find(({ id }) => id === personId) ?? refuse('not-found', { person: personId });
  const instant = (minute: number): string => new Date(Date.parse(bench.at) + minute * MINUTE_MS).toISOString();
  const firstDay = firstDayOf(bench, personId, (minute) => day(instant(minute)).slice(0, 10));
  const own = bench.plan.phases
    .filter((phase) => phase.who === personId && day(instant(phase.from)).slice(0, 10) === firstDay)
    .sort((a, b) => a.from - b.from);
  const visits = [...new Set(own.map(({ visitId }) => visitId))];
  return {
    title: `${person.name} ${firstDay}`,
    content: [
      ...head({ tag: firstDay, title: person.name, under: [`${visits.length} units`], link: `${origin}/bench` }),
      ...section('In this order', ticks(own.map((phase) => lineOf(bench, phase, (minute) => day(instant(minute)))))),
      ...section(
        'Runs by itself',
        waitsOf(bench, visits, (minute) => day(instant(minute))),
      ),
      ...section(
        'What each is for',
        visits.map((id) => reasonOf(bench, id, day)),
      ),
    ],
  };
}

type Phase = BenchReply['plan']['phases'][number];
type Clock = (minute: number) => string;

/** The day of the first thing that this person has to do. */
function firstDayOf({ plan }: BenchReply, personId: string, dayOf: Clock): string {
  const first = plan.phases.filter(({ who }) => who === personId).map(({ from }) => from);
  return dayOf(first.length === 0 ? 0 : Math.min(...first));
}

function lineOf({ visits }: BenchReply, { visitId, phaseId, from, to }: Phase, clock: Clock) {
  const visit = visits.find(({ id }) => id === visitId);
  const [begin, end] = [clock(from), clock(to)];
  return {
    text: `${begin.slice(11)} to ${end.slice(11)}   ${visit?.tag ?? ''}   ${visit?.what[phaseId] ?? ''}`,
    done: false,
  };
}

const waitsOf = ({ plan, visits }: BenchReply, own: readonly string[], clock: Clock): string[] =>
  plan.phases
    .filter(({ who, visitId }) => who === null && own.includes(visitId))
    .map(({ visitId, phaseId, from, to }) => {
      const visit = visits.find(({ id }) => id === visitId);
      return `${visit?.tag ?? ''}: ${visit?.what[phaseId] ?? ''}, ${clock(from)} to ${clock(to)}`;
    });

function reasonOf({ visits }: BenchReply, id: string, day: Day): string {
  const visit = visits.find((one) => one.id === id);
  if (visit === undefined) return '';
  const why = visit.hire === null ? visit.readiness : `goes out ${day(visit.hire.fromAt)} (${visit.hire.reference})`;
  return `${visit.tag}: ${visit.titles.join('; ')}; ${why}.`;
}
