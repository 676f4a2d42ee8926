import { cautionText, faultOf } from '@hudrik/core/catalogue';
import type { Diagnosis, Evidence, Suspect } from '@hudrik/core/diagnosis';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button, Caution, Field, Section, Sheet, Words } from '@/design';
import { sayMinutes, sayMoney } from '@/writing';
import { sayFault, sayLogRatio, sayOutcome, sayPercent, observationOf } from './say';

interface Props {
  readonly diagnosis: Diagnosis;
  /** How far back each showing can be weighed by itself. */
  readonly since: 'so far' | 'since the repair';
  readonly confirms: boolean;
  readonly onConfirm: (id: string) => void;
  /** It is known to be so without a look, and how. */
  readonly onSaySo: (id: string, why: string) => void;
}

const FEW = 6;

/** The suspects, the likeliest first, with bars that move; tap one for why. */
export function Suspects({ diagnosis, since, confirms, onConfirm, onSaySo }: Props) {
  const [open, setOpen] = useState<string | null>(null);
  const [all, setAll] = useState(false);
  const worth = diagnosis.suspects.filter((suspect) => suspect.probability >= 0.005);
  const shown = all ? worth.slice(0, 30) : worth.slice(0, FEW);
  const suspect = diagnosis.suspects.find((entry) => entry.id === open);
  return (
    <Section title="Suspects" count={worth.length}>
      <View role="list">
        {shown.map((entry) => (
          <Row key={entry.id} suspect={entry} onPress={() => setOpen(entry.id)} />
        ))}
      </View>
      {worth.length > FEW ? (
        <Button
          kind="quiet"
          label={all ? 'Fewer' : `${Math.min(worth.length, 30) - FEW} more`}
          onPress={() => setAll(!all)}
        />
      ) : null}
      {suspect ? (
        <Why
          suspect={suspect}
          evidence={diagnosis.evidence[suspect.id] ?? []}
          since={since}
          sets={diagnosis.sets}
          confirms={confirms}
          onConfirm={onConfirm}
          isGiven={diagnosis.established.some((one) => one.id === suspect.id)}
          onSaySo={(id, why) => {
            onSaySo(id, why);
            setOpen(null);
          }}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </Section>
  );
}

function Row({ suspect, onPress }: { readonly suspect: Suspect; readonly onPress: () => void }) {
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-label={`${sayFault(suspect.id)}, ${sayPercent(suspect.probability)}: why?`}
        onPress={onPress}
        className="min-h-[48px] justify-center border-b border-line py-1"
      >
        <View className="flex-row items-baseline gap-3">
          <Words face="strong" size={15} className="min-w-0 flex-1" numberOfLines={1}>
            {sayFault(suspect.id)}
          </Words>
          <Words face="figures" size={17}>
            {sayPercent(suspect.probability)}
          </Words>
        </View>
        <View className="h-[8px] bg-paper">
          <View
            className="h-full bg-mark duration-300"
            style={{ width: `${Math.max(suspect.probability * 100, 1)}%`, transitionProperty: 'width' } as never}
          />
        </View>
      </Pressable>
    </View>
  );
}

interface WhyProps extends Omit<Props, 'diagnosis'> {
  readonly suspect: Suspect;
  readonly evidence: readonly Evidence[];
  readonly sets: Diagnosis['sets'];
  readonly isGiven: boolean;
  readonly onClose: () => void;
}

/** Why a suspect stands where it does: what makes it more and less likely; what putting it right would take. */
function Why({ suspect, evidence, since, sets, isGiven, confirms, onConfirm, onSaySo, onClose }: WhyProps) {
  const fault = faultOf(suspect.id);
  const together = sets.filter((set) => set.faults.length > 1 && set.faults.includes(suspect.id)).slice(0, 2);
  return (
    <Sheet title={sayFault(suspect.id)} open onClose={onClose}>
      <Words size={22} face="strong">
        {sayPercent(suspect.probability)}
      </Words>
      {fault?.caution ? <Caution text={cautionText(fault.caution)} /> : null}
      {evidence.length === 0 ? (
        <Words>
          Nothing seen {since} makes it more or less likely
          {since === 'so far' ? ': this is what is usual for such a machine' : ''}.
        </Words>
      ) : null}
      {evidence.map((entry) => (
        <Bar key={`${entry.observation} ${entry.outcome}`} entry={entry} />
      ))}
      {since === 'since the repair' ? (
        <Words size={13} tone="ink-soft">
          What was seen before the repair counts in the odds; it can no longer be weighed one by one.
        </Words>
      ) : null}
      {together.map((set) => (
        <Words key={set.faults.join()} size={15}>
          Together with{' '}
          {set.faults
            .filter((id) => id !== suspect.id)
            .map((id) => sayFault(id).toLowerCase())
            .join(' and ')}
          : {sayPercent(set.probability)}
        </Words>
      ))}
      {fault ? (
        <Words size={15}>
          To repair: {fault.repair.title.toLowerCase()}. {sayMinutes(fault.repair.minutes)}
          {fault.repair.partsCents > 0 ? `, parts about ${sayMoney(fault.repair.partsCents)}` : ''}. Odds and minutes
          are judgement; the yard’s proven causes teach them.
        </Words>
      ) : (
        <Words size={15}>Then show the hirer how it starts. A fault that comes and goes needs a longer test.</Words>
      )}
      {fault && confirms && !isGiven ? <KnownSo onSay={(why) => onSaySo(suspect.id, why)} /> : null}
      {fault && confirms ? <Button tall label="It is this" onPress={() => onConfirm(suspect.id)} /> : null}
    </Sheet>
  );
}

/** Somebody knows it without a look: how, so that the next one can judge it. */
function KnownSo({ onSay }: { readonly onSay: (why: string) => void }) {
  const [why, setWhy] = useState<string | null>(null);
  if (why === null)
    return <Button kind="quiet" className="self-start" label="I know that it is so …" onPress={() => setWhy('')} />;
  return (
    <View className="gap-2">
      <Field label="How you know" value={why} onChangeText={setWhy} />
      <Button
        label="It is so"
        offBecause={why.trim().length < 3 ? 'Say how you know.' : null}
        onPress={() => onSay(why.trim())}
      />
    </View>
  );
}

const LONGEST = 4;

function Bar({ entry }: { readonly entry: Evidence }) {
  const share = Math.min(Math.abs(entry.logRatio) / LONGEST, 1) * 50;
  return (
    <View className="gap-1">
      <Words size={15}>
        {observationOf(entry.observation).words}: {sayOutcome(entry.observation, entry.outcome).toLowerCase()}
      </Words>
      <View className="h-[10px] border border-line bg-paper">
        <View
          className={`absolute bottom-0 top-0 ${entry.logRatio > 0 ? 'bg-held' : 'bg-fit'}`}
          style={{ left: `${entry.logRatio > 0 ? 50 : 50 - share}%`, width: `${share}%` }}
        />
        <View className="absolute bottom-0 top-0 w-[2px] bg-ink" style={{ left: '50%' }} />
      </View>
      <Words size={13} tone="ink-soft">
        {sayLogRatio(entry.logRatio)} by this
      </Words>
    </View>
  );
}
