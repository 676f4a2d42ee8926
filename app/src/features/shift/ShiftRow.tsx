import type { ShiftLine } from '@hudrik/core/contracts';
import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { Button, Words } from '@/design';
import { Silhouette } from '@/features/fleet';
import { useEntry } from '@/outbox';
import { sayMinutes } from '@/writing';
import { sayShiftLine } from './sayShiftLine';

interface Props {
  readonly line: ShiftLine;
  /** What to do first is the main thing to do, and nothing else. */
  readonly isFirst: boolean;
}

/** One line of the shift: tag, what, why now, minutes, one button. */
export function ShiftRow({ line, isFirst }: Props) {
  const { what, why } = sayShiftLine(line);
  const open = () => line.tag && router.navigate(`/u/${line.tag}`);
  return (
    <View className="flex-row items-stretch border border-card-edge bg-card">
      <Pressable
        role="link"
        aria-label={`${line.tag ?? line.reference}: ${what}`}
        onPress={() => void open()}
        className="min-h-[56px] min-w-0 flex-1 flex-row items-center gap-3 p-3"
      >
        <Silhouette classId={line.classId} size={30} />
        <View className="min-w-0 flex-1">
          <View className="flex-row items-baseline justify-between gap-2">
            <Words face={line.tag ? 'stencil' : 'figures'} size={22}>
              {line.tag ?? line.reference}
            </Words>
            {line.minutes > 0 ? (
              <Words face="figures" size={17}>
                {sayMinutes(line.minutes)}
              </Words>
            ) : null}
          </View>
          <Words face="strong" size={15}>
            {what}
          </Words>
          <Words size={15}>{why}</Words>
        </View>
      </Pressable>
      <ActionOf line={line} isFirst={isFirst} />
    </View>
  );
}

function ActionOf({ line, isFirst }: Props) {
  const go = (href: Href) => () => router.navigate(href);
  const button = 'w-[116px] rounded-none border-0 border-l border-card-edge px-2';
  if (line.code === 'back-not-looked-at' || line.code === 'overdue')
    return (
      <Button
        className={button}
        kind={isFirst ? 'main' : 'plain'}
        label="Check in"
        aria-label={`Check in ${line.tag}`}
        onPress={go(`/u/${line.tag}/check-in`)}
      />
    );
  if (line.code === 'class-short') return <Button className={button} label="Hires" onPress={go('/hires')} />;
  if (line.code === 'service-due' && line.tag) return <RaiseService line={line} className={button} />;
  if (line.jobId)
    return (
      <Button
        className={button}
        label="Job"
        aria-label={`To the job of ${line.tag}`}
        onPress={go(`/j/${line.jobId}` as Href)}
      />
    );
  return null;
}

/** Raises what of a unit's service is due, at one tap, once. */
function RaiseService({ line, className }: { readonly line: ShiftLine; readonly className: string }) {
  const raise = useEntry('job-raised');
  const [state, setState] = useState<'Raise' | 'Raised' | 'Not raised'>('Raise');
  // All of them are kept on this device at once: who leaves the page loses none.
  const raiseAll = async (): Promise<void> => {
    setState('Raised');
    const raised = await Promise.allSettled(
      (line.raises ?? []).map((job) =>
        raise.mutateAsync({ facts: { ...job, kind: 'service', blocks: 'none' }, on: { tag: line.tag ?? '' } }),
      ),
    );
    if (raised.some(({ status }) => status === 'rejected')) setState('Not raised');
  };
  return (
    <Button
      className={className}
      label={state}
      aria-label={`Raise the service of ${line.tag}`}
      disabled={state !== 'Raise'}
      onPress={() => void raiseAll()}
    />
  );
}
