import { cautionText } from '@hudrik/core/catalogue';
import type { Verdict } from '@hudrik/core/verdict';
import { View } from 'react-native';
import { Card, Caution, ReadinessMark, READINESS_WORD, Section, Words } from '@/design';
import { sayMinutes, sayMoney } from '@/writing';

const MEANS = { hold: 'holds it', 'fix-before-hire': 'fix before hire', bill: 'charge', note: 'note' } as const;

/** A verdict: the mark and its word, what can hurt, the reasons worst first, the work, the bill. */
export function VerdictCard({ tag, verdict }: { readonly tag: string; readonly verdict: Verdict }) {
  const bill = verdict.bill.reduce((sum, entry) => sum + entry.priceCents, 0);
  const cautions = [...new Set(verdict.reasons.flatMap((reason) => (reason.caution ? [reason.caution] : [])))];
  return (
    <View className="gap-4">
      <View className="hangs flex-row items-center gap-4">
        <ReadinessMark of={verdict.result} size={64} />
        <View>
          <Words face="stencil" size={32}>
            {tag}
          </Words>
          <Words role="heading" aria-level={1} face="strong" size={32} tone={verdict.result}>
            {READINESS_WORD[verdict.result]}
          </Words>
        </View>
      </View>
      {cautions.map((caution) => (
        <Caution key={caution} text={cautionText(caution)} />
      ))}
      {verdict.reasons.length === 0 ? <Words size={22}>Nothing found. It may go out.</Words> : null}
      {verdict.reasons.map((reason, at) => (
        <View
          key={reason.sentence}
          className={`flex-row items-baseline gap-3 ${at === 0 ? '' : 'border-t border-line pt-3'}`}
        >
          <Words size={at === 0 ? 22 : 17} face={at === 0 ? 'strong' : 'text'} className="min-w-0 flex-1">
            {reason.sentence}
          </Words>
          <Words
            size={13}
            tone={
              reason.consequence === 'hold' ? 'held' : reason.consequence === 'fix-before-hire' ? 'prep' : 'ink-soft'
            }
          >
            {MEANS[reason.consequence]}
          </Words>
        </View>
      ))}
      {verdict.jobs.length > 0 ? (
        <Section title="Work raised" count={verdict.jobs.length}>
          {verdict.jobs.map((job) => (
            <Card key={job.work} className="flex-row items-center gap-3">
              <Words className="min-w-0 flex-1" face="strong">
                {job.title}
              </Words>
              <Words face="figures">{sayMinutes(job.minutes)}</Words>
            </Card>
          ))}
        </Section>
      ) : null}
      {verdict.bill.length > 0 ? (
        <Section title="To charge">
          {verdict.bill.map((entry) => (
            <View key={entry.id} className="flex-row justify-between">
              <Words>
                {entry.count} × {entry.name.toLowerCase()}
              </Words>
              <Words face="figures">{sayMoney(entry.priceCents)}</Words>
            </View>
          ))}
          <View className="flex-row justify-between border-t-2 border-ink pt-1">
            <Words face="strong">Total</Words>
            <Words face="figures">{sayMoney(bill)}</Words>
          </View>
        </Section>
      ) : null}
    </View>
  );
}
