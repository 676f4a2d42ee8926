import { FAULTS, RISKS, STATES_FOUND, type FaultId, type RiskId, type StateFound } from '@hudrik/core/catalogue';
import type { WaysReply } from '@hudrik/core/contracts';
import { readCard } from '../cards/readCard';
import { readWays, type WaysQuery } from '../cards/ways';
import type { Context } from '../context';
import { Paper } from './Paper';

const WAY_WORD: Readonly<Record<WaysReply['ways'][number]['way'], string>> = {
  mend: 'Clean or mend it',
  replace: 'Replace the part',
  'swap-engine': 'Swap the engine',
  retire: 'Let the unit go',
};
const money = (cents: number): string => `${cents < 0 ? '−' : ''}${(Math.abs(cents) / 100).toFixed(2)}`;

/** What each way costs, with what it rests on and what nobody has looked at yet. */
export async function estimatePdf(context: Context, jobId: string, query: WaysQuery, origin: string): Promise<Buffer> {
  const [{ job, unit, causes, parts }, ways] = await Promise.all([
    readCard(context, jobId),
    readWays(context, jobId, query),
  ]);
  const paper = new Paper(`${unit.tag} estimate`);
  paper.head(
    unit.tag,
    'Estimate',
    [job.title, `${unit.model}, ${unit.trueHours} h`, `State found: ${STATES_FOUND[query.state as StateFound].name}`],
    `${origin}/u/${unit.tag}`,
  );
  if (ways.notLookedAt.length > 0)
    paper.section('A guess until it is looked at').lines([`Not looked at yet: ${ways.notLookedAt.join(', ')}.`]);
  if (causes.length > 0) paper.section('What is wrong').lines(causes.map((id) => FAULTS[id as FaultId]?.name ?? id));
  paper.section('What it costs, less what the unit is worth after').table(
    [
      { title: 'Way', share: 4 },
      ...['Hands', 'Parts', 'Days lost', 'Risks', 'Comeback', 'If it fails', 'Worth after', 'In all'].map((title) => ({
        title,
        share: 2,
        right: true,
      })),
    ],
    ways.ways.map((way) => [
      WAY_WORD[way.way],
      ...[
        way.handsCents,
        way.partsCents,
        way.daysCents,
        way.riskCents,
        way.comebackCents,
        way.failCents,
        way.valueCents,
        way.costCents,
      ].map(money),
    ]),
  );
  paper.lines(['Under nothing: the unit is worth more after than the way costs.']);
  if (ways.breakEvenSuccess !== null)
    paper.lines([`Mending pays while its odds are above ${Math.round(ways.breakEvenSuccess * 100)} in 100.`]);
  if (ways.notToBeHad.length > 0) paper.section('Not to be had').lines(ways.notToBeHad);
  const risks = query.risks.split(',').filter((id): id is RiskId => Object.hasOwn(RISKS, id));
  if (risks.length > 0)
    paper
      .section('Risks')
      .lines(
        risks.map((id) => `${RISKS[id].name}: ${Math.round(RISKS[id].odds * 100)} in 100, ${RISKS[id].minutes} min`),
      );
  if (parts.length > 0)
    paper.section('Parts').table(
      [
        { title: 'Number', share: 3 },
        { title: 'What', share: 7 },
        { title: 'Count', share: 1, right: true },
        { title: 'Each', share: 2, right: true },
      ],
      parts
        .filter((part) => part.state !== 'dropped')
        .map((part) => [part.number, part.name, String(part.count), money(part.cents)]),
    );
  return paper
    .lines([
      '',
      'Rates, odds and worths are the yard’s defaults (judgement). The maker’s manual, local codes and licensed trades come first.',
    ])
    .end();
}
