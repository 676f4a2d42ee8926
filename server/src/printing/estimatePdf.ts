import { entryOf, FAULTS, RISKS, STATES_FOUND, WAYS } from '@hudrik/core/catalogue';
import type { CardReply, WaysReply } from '@hudrik/core/contracts';
import { VOID_LINES } from '@hudrik/core/states';
import { readCard } from '../cards/readCard';
import { readWays, risksOf, type WaysQuery } from '../cards/ways';
import { roundMoney } from '@hudrik/core/money';
import { sayFlip } from '@hudrik/core/reckoning';
import type { Context } from '../context';
import { readSettings } from '../people/settings';
import { head, section, table, type Sheet } from './sheet';
import { writingOf } from './writing';

type Money = (cents: number) => string;

/** What each way costs, with what it rests on and what nobody has looked at yet. */
export async function estimatePdf(context: Context, jobId: string, query: WaysQuery, origin: string): Promise<Buffer> {
  const [card, ways, settings] = await Promise.all([
    readCard(context, jobId),
    readWays(context, jobId, query),
    readSettings(context.db),
  ]);
  return context.paper.make(estimateSheet({ card, ways, query, money: writingOf(settings).money, origin }));
}

interface Estimate {
  readonly card: CardReply;
  readonly ways: WaysReply;
  readonly query: WaysQuery;
  readonly money: Money;
  readonly origin: string;
}

export function estimateSheet({ card, ways, query, money, origin }: Estimate): Sheet {
  const { job, unit, causes } = card;
  const under = [job.title, `${unit.model}, ${unit.trueHours} h`, `Condition: ${STATES_FOUND[query.state].name}`];
  const unseen = ways.notLookedAt.length === 0 ? [] : [`Not looked at yet: ${ways.notLookedAt.join(', ')}.`];
  return {
    title: `${unit.tag} estimate`,
    content: [
      ...head({ tag: unit.tag, title: 'Estimate', under, link: `${origin}/u/${unit.tag}` }),
      ...section('A guess until it is looked at', unseen),
      ...section(
        'What is wrong',
        causes.map((id) => entryOf(FAULTS, id)?.name ?? id),
      ),
      ...section('What it costs, less what the unit is worth afterwards', [
        ...tableOfWays(ways, money),
        ...remarks(ways, money),
      ]),
      ...section('No longer available', ways.notToBeHad),
      ...section(
        'Risks',
        risksOf(query).map(
          (id) => `${RISKS[id].name}: ${Math.round(RISKS[id].odds * 100)} in 100, ${RISKS[id].minutes} min`,
        ),
      ),
      ...section('Parts', tableOfParts(card, money)),
      {
        text: `Rests on: ${ways.basis.map(({ name, whence }) => `${name}: ${whence}`).join(' ')} The maker’s manual, local codes and licensed trades come first.`,
        style: 'under',
        margin: [0, 14, 0, 0],
      },
    ],
  };
}

const sayMinutes = (minutes: number): string => `${Math.round(minutes)} min`;
const rounded =
  (money: Money): Money =>
  (cents) =>
    money(roundMoney(cents));

const remarks = ({ flips: [flip], ways: [best] }: WaysReply, money: Money): string[] => [
  'A minus means: the unit is worth more afterwards than this costs.',
  ...(best === undefined
    ? []
    : [
        `${best.title}: eight times in ten between ${rounded(money)(best.lowCents)} and ${rounded(money)(best.highCents)}.`,
      ]),
  ...(flip === undefined ? [] : [sayFlip(flip, { money: rounded(money), minutes: sayMinutes })]),
];

const COSTS = [
  ['Labour', 'handsCents'],
  ['Parts', 'partsCents'],
  ['Days lost', 'daysCents'],
  ['Risks', 'riskCents'],
  ['Comeback', 'comebackCents'],
  ['If it fails', 'failCents'],
  ['If it is another cause', 'wrongCents'],
  ['Open besides', 'openCents'],
  ['Value afterwards', 'valueCents'],
  ['Total', 'costCents'],
] as const;

/** Ways side by side, a line for each thing that they cost: what costs nothing in any of them is left out. */
const tableOfWays = ({ ways }: WaysReply, money: Money) =>
  table(
    [
      { title: '', share: 4 },
      ...ways.map((way) => ({ title: way.way === 'retire' ? WAYS.retire : way.title, share: 4, right: true }) as const),
    ],
    COSTS.filter(([, key]) => ways.some((way) => way[key] !== 0)).map(([title, key]) => [
      title,
      ...ways.map((way) => rounded(money)(key === 'valueCents' ? -way[key] : way[key])),
    ]),
  );

const tableOfParts = ({ parts }: CardReply, money: Money) =>
  table(
    [
      { title: 'Number', share: 3 },
      { title: 'What', share: 7 },
      { title: 'Count', share: 2, right: true },
      { title: 'Each', share: 2, right: true },
    ],
    parts
      .filter((part) => !VOID_LINES.includes(part.state))
      .map((part) => [part.number, part.name, String(part.count), money(part.cents)]),
  );
