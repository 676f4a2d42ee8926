import { RISKS, saySource, STATES_FOUND, type RiskId, type StateFound } from '@hudrik/core/catalogue';
import type { WaysReply } from '@hudrik/core/contracts';
import { sayFlip } from '@hudrik/core/reckoning';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useRead } from '@/api';
import { Button, Choice, Failure, Field, Loading, Page, Section, Sheet, useIsWide, Whence, Words } from '@/design';
import { sayMinutes, sayMoney } from '@/writing';
import { BasisOfWays } from './BasisOfWays';
import { sayRounded, titleOf } from './sayWays';
import { useCard } from './useCard';
import { entriesOf } from '@hudrik/core/typed';

type Way = WaysReply['ways'][number];
const STATES = entriesOf(STATES_FOUND);
const RISK_LIST = entriesOf(RISKS);
const ACCESS = [0, 30, 60, 120, 360] as const;
/** Nearer than this no way is better. */
const AS_GOOD_CENTS = 1000;
const ROWS = [
  ['Labour', 'handsCents'],
  ['Parts', 'partsCents'],
  ['Days lost', 'daysCents'],
  ['Risks', 'riskCents'],
  ['Risk of a comeback', 'comebackCents'],
  ['If it fails: the next way', 'failCents'],
  ['If it is another cause', 'wrongCents'],
  ['What stands open besides', 'openCents'],
] as const;

const WRITTEN = { money: sayRounded, minutes: sayMinutes };
const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
/** What is written down with a decision: which repair it is, where there are several of its kind. */
const whyOf = (way: Way, why: string): string =>
  way.way === 'mend' || way.way === 'replace' ? [titleOf(way), why].filter(Boolean).join(': ') : why;
/** A cost, or a gain with its plus. */
const signed = (cents: number): string => (cents < 0 ? `+ ${sayRounded(-cents)}` : sayRounded(cents));

/** Fix, replace, swap the engine or let it go, with figures; the answer first, then what it rests on. */
export function WaysScreen({ jobId }: { readonly jobId: string }) {
  const handle = useCard(jobId);
  const wide = useIsWide();
  const [state, setState] = useState<StateFound>('dirty');
  const [risks, setRisks] = useState<readonly RiskId[]>([]);
  const [access, setAccess] = useState(0);
  const [deciding, setDeciding] = useState<Way | null>(null);
  const query = { state, risks: risks.join(), access };
  // What it rests on may have changed a moment ago: a price, a booking, a proof.
  const read = useRead('ways', { params: { id: jobId }, query, staleTime: 0 });
  if (!read.data || handle.reply === null)
    return read.isError ? (
      <Page>
        <Failure sentence={sentenceOf(read.error)} retry={() => void read.refetch()} />
      </Page>
    ) : (
      <Loading what="the comparison" />
    );
  const { ways, flips, basis, causes, notLookedAt, notToBeHad } = read.data;
  const { tag } = handle.reply.unit;
  const [best, second] = ways;
  const margin = best && second ? second.costCents - best.costCents : 0;
  const paper = `/api/jobs/${jobId}/estimate.pdf?${new URLSearchParams({ state, risks: risks.join(), access: String(access) })}`;
  const asked = (
    <>
      <Section title="Condition">
        {STATES.map(([id, entry]) => (
          <Choice
            key={id}
            label={`${entry.name}: ${Math.round(entry.success * 100)} in 100 hold`}
            on={state === id}
            onPress={() => setState(id)}
          />
        ))}
      </Section>
      <Whence
        short="Odds: our judgement"
        words={`${saySource(STATES_FOUND[state].source)}. The state counts for cleaning and mending, not for a new part.`}
      />
      <Section title="Time to get at it">
        <View className="flex-row gap-2">
          {ACCESS.map((minutes) => (
            <Choice
              key={minutes}
              className="flex-1"
              label={sayMinutes(minutes)}
              on={access === minutes}
              onPress={() => setAccess(minutes)}
            />
          ))}
        </View>
      </Section>
      <Section title="Risks">
        {RISK_LIST.map(([id, risk]) => (
          <Choice
            key={id}
            label={`${risk.name} (${Math.round(risk.odds * 100)} in 100, ${sayMinutes(risk.minutes)})`}
            on={risks.includes(id)}
            onPress={() => setRisks(risks.includes(id) ? risks.filter((one) => one !== id) : [...risks, id])}
          />
        ))}
      </Section>
    </>
  );
  const answer = (
    <>
      <View className="gap-1">
        <Words face="stencil" size={32}>
          {handle.reply.unit.tag}
        </Words>
        <Words role="heading" aria-level={1} size={22} face="strong">
          {best === undefined || second === undefined
            ? 'There is nothing to compare.'
            : margin < AS_GOOD_CENTS
              ? `${titleOf(best)}, or ${lower(titleOf(second))}: the same within ${sayMoney(AS_GOOD_CENTS)}.`
              : `${titleOf(best)}: ${sayRounded(margin)} better than ${lower(titleOf(second))}.`}
        </Words>
        {flips.length === 0 && ways.length > 1 ? (
          <Words>Nothing between a fifth and five times of what it rests on would change this.</Words>
        ) : null}
        {flips.slice(0, 1).map((flip) => (
          <Words key={flip.input}>{sayFlip(flip, WRITTEN)}</Words>
        ))}
      </View>
      {notLookedAt.length > 0 ? (
        <Failure
          sentence={`A guess: nobody has looked at ${notLookedAt.join(', ')} yet.`}
          kept="Until then no figure is firm."
        />
      ) : null}
      {causes.length === 0 ? (
        <Failure
          sentence="Nobody knows the cause yet: there is nothing to replace."
          kept="Finding it first is priced by what was seen so far."
        />
      ) : null}
      {notToBeHad.length > 0 ? <Failure sentence={`No longer to be had: ${notToBeHad.join(', ')}.`} /> : null}
      <View className={wide ? 'flex-row flex-wrap gap-3' : 'gap-3'}>
        {ways.map((way, at) => (
          <WayCard
            key={`${way.way} ${way.title}`}
            way={way}
            first={at === 0}
            onDecide={() => (way.way === 'find' ? router.navigate(`/u/${tag}/find`) : setDeciding(way))}
          />
        ))}
      </View>
      {flips.length > 1 ? (
        <Section title="What would change this">
          {flips.slice(0, 4).map((flip) => (
            <Words key={flip.input} size={15}>
              {sayFlip(flip, WRITTEN)}
            </Words>
          ))}
        </Section>
      ) : null}
      <BasisOfWays basis={basis} />
      <Words size={13} tone="ink-soft">
        A swap engine must match the crank’s diameter and length, and the driven machine is still untested.
      </Words>
      <View className="no-print flex-row flex-wrap gap-2">
        <Button className="grow" label="Estimate (PDF)" onPress={() => window.open(paper)} />
        <Button className="grow" label="To the card" onPress={() => router.navigate(`/j/${jobId}`)} />
      </View>
    </>
  );
  return (
    <Page wide={wide}>
      {wide ? (
        <View className="flex-row items-start gap-6">
          <View className="min-w-0 flex-1 gap-5">{answer}</View>
          <View className="w-[320px] gap-5">{asked}</View>
        </View>
      ) : (
        <>
          {answer}
          {asked}
        </>
      )}
      {deciding ? (
        <DecideSheet
          way={deciding}
          onDecide={(why) => {
            handle.add('decided', {
              way: deciding.way,
              why: whyOf(deciding, why),
              figures: { ...read.data, asked: query },
            });
            router.navigate(`/j/${jobId}`);
          }}
          onClose={() => setDeciding(null)}
        />
      ) : null}
    </Page>
  );
}

function WayCard({
  way,
  first,
  onDecide,
}: {
  readonly way: Way;
  readonly first: boolean;
  readonly onDecide: () => void;
}) {
  return (
    <View
      className={`gap-1 border bg-card p-3 md:w-[32%] ${first ? 'border-2 border-ink' : 'border-card-edge'}`}
      role="group"
      aria-label={titleOf(way)}
    >
      <Words face="strong">{titleOf(way)}</Words>
      <Words face="figures" size={32}>
        {way.costCents < 0 ? `+ ${sayRounded(-way.costCents)}` : sayRounded(way.costCents)}
      </Words>
      <Words size={13} tone="ink-soft">
        {way.costCents < 0 ? 'expected gain' : 'expected cost'}
      </Words>
      {way.lowCents === way.highCents ? null : (
        <Words size={13} tone="ink-soft">
          {`eight in ten: ${signed(way.highCents)} to ${signed(way.lowCents)}`}
        </Words>
      )}
      {ROWS.map(([label, field]) =>
        Math.abs(way[field]) < 50 ? null : <Line key={field} label={label} cents={way[field]} />,
      )}
      <Line label="Value afterwards" cents={-way.valueCents} />
      <Button
        kind={first ? 'main' : 'plain'}
        className="mt-2"
        label={way.way === 'find' ? 'Find it' : 'Choose this'}
        aria-label={way.way === 'find' ? 'Find the fault' : `Decide: ${titleOf(way)}`}
        onPress={onDecide}
      />
    </View>
  );
}

function Line({ label, cents }: { readonly label: string; readonly cents: number }) {
  return (
    <View className="flex-row items-baseline gap-2">
      <Words size={15} className="min-w-0 flex-1">
        {label}
      </Words>
      <Words face="figures" size={17}>
        {cents < 0 ? `− ${sayRounded(-cents)}` : sayRounded(cents)}
      </Words>
    </View>
  );
}

function DecideSheet({
  way,
  onDecide,
  onClose,
}: {
  readonly way: Way;
  readonly onDecide: (why: string) => void;
  readonly onClose: () => void;
}) {
  const [why, setWhy] = useState('');
  return (
    <Sheet title={titleOf(way)} open onClose={onClose}>
      <Words>The decision is kept on the card with all its figures.</Words>
      <Field label="Why (optional)" value={why} onChangeText={setWhy} multiline />
      <Button kind="main" tall label="Decide" onPress={() => onDecide(why.trim())} />
    </Sheet>
  );
}
