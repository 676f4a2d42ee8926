import type { AtGate } from '@hudrik/core/log';
import { router } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { usePerson, useRead } from '@/api';
import { Button, Empty, Failure, Loading, Page, Section, useIsWide, Words } from '@/design';
import { Silhouette } from '@/features/fleet';
import { entryOf, useAddEntry, usePending } from '@/outbox';
import { sayTime } from '@/writing';
import { AtGateTaps } from './AtGateTaps';
import { FindReturned } from './FindReturned';
import { outNow, pileOf, type Returned } from './pile';

/** Ten at once on a Monday: a tag, three taps, the next one; then the pile is walked, the first to go out first. */
export function ReturnsScreen() {
  const wide = useIsWide();
  const hires = useRead('hires');
  const shift = useRead('shift');
  const add = useAddEntry();
  const { role } = usePerson();
  const notes = role !== 'apprentice';
  const [tag, setTag] = useState<string | null>(null);
  const [noted, setNoted] = useState<string | null>(null);
  const pending = usePending(useCallback((on) => on.tag !== undefined, []));
  const lines = hires.data?.hires;
  const pile = useMemo(
    () => pileOf(lines ?? [], shift.data?.back ?? [], pending.filter((item) => item.state !== 'refused').map(entryOf)),
    [lines, shift.data, pending],
  );
  if (lines === undefined)
    return hires.isError ? (
      <Failure sentence="What is out cannot be fetched just now." retry={() => void hires.refetch()} />
    ) : (
      <Loading what="what is out" />
    );
  const hire = lines.find((one) => one.tag === tag && (one.state === 'out' || one.state === 'back'));
  const note = (atGate: AtGate) => {
    if (hire?.tag == null) return;
    void add('hire-back', { reference: hire.reference, atGate }, { tag: hire.tag });
    setNoted(hire.tag);
    setTag(null);
  };
  const entry = (
    <View className="gap-4">
      {noted !== null && tag === null ? (
        <View className="flex-row items-center gap-3 border-l-[6px] border-fit bg-card p-3">
          <Words role="status" face="strong" className="flex-1">{`${noted} is noted. The next one?`}</Words>
          <Button kind="quiet" label="Change" aria-label={`Change ${noted}`} onPress={() => setTag(noted)} />
        </View>
      ) : null}
      {!notes ? (
        <Words>A technician, the lead or the desk notes what is back.</Words>
      ) : tag !== null && hire ? (
        <AtGateTaps key={tag} tag={tag} classId={hire.classId} onSaid={note} onClose={() => setTag(null)} />
      ) : (
        <FindReturned out={outNow(lines, pile)} pile={pile} onTag={setTag} />
      )}
    </View>
  );
  return (
    <Page wide={wide}>
      <View>
        <Words role="heading" aria-level={1} size={22} face="strong">
          A pile of returns
        </Words>
        <Words>A tag, three taps, the next one. Then walk them, the first to go out first.</Words>
      </View>
      <View className={wide ? 'flex-row items-start gap-8' : 'gap-5'}>
        <View className={wide ? 'w-[420px]' : ''}>{entry}</View>
        <Section title="Walk them in this order" count={pile.length} className={wide ? 'min-w-0 flex-1' : ''}>
          {pile.length === 0 ? <Empty sentence="Nothing is back that has not been looked at." /> : null}
          {pile.map((one) => (
            <PileRow
              key={one.reference}
              one={one}
              looks={role !== 'counter'}
              onChange={notes ? () => setTag(one.tag) : null}
            />
          ))}
        </Section>
      </View>
    </Page>
  );
}

interface RowProps {
  readonly one: Returned;
  readonly looks: boolean;
  /** Null: whoever looks may not note it. */
  readonly onChange: (() => void) | null;
}

function PileRow({ one: { tag, classId, amiss, needed }, looks, onChange }: RowProps) {
  const wide = useIsWide();
  return (
    <View
      className={`border border-card-edge bg-card ${wide ? 'flex-row items-center gap-2 py-1 pr-2' : ''}`}
      role="group"
      aria-label={tag}
    >
      <View className="min-w-0 flex-1 flex-row items-center gap-3 px-3 pt-2">
        <Silhouette classId={classId} size={30} />
        <Words face="stencil" size={22} className="w-[88px]">
          {tag}
        </Words>
        <View className="min-w-0 flex-1">
          <Words face="strong" size={15}>
            {sayAmiss(amiss)}
          </Words>
          <Words size={15}>{needed === null ? 'Nobody waits for it.' : `Needed ${sayTime(needed)}.`}</Words>
        </View>
      </View>
      <View className={`flex-row justify-end gap-2 ${wide ? '' : 'px-2 pb-2'}`}>
        {onChange ? (
          <Button
            kind="quiet"
            label={amiss === null ? 'Three taps' : 'Say it again'}
            aria-label={`Three taps for ${tag}`}
            onPress={onChange}
          />
        ) : null}
        {looks ? (
          <Button
            label="Check in"
            aria-label={`Check in ${tag}`}
            onPress={() => router.navigate(`/u/${tag}/check-in`)}
          />
        ) : null}
      </View>
    </View>
  );
}

function sayAmiss(amiss: readonly string[] | null): string {
  if (amiss === null) return 'Back';
  const said = amiss.join(', ');
  return said === '' ? 'Nothing amiss at the gate' : said.charAt(0).toUpperCase() + said.slice(1);
}
