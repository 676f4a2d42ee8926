import type { ShiftLine } from '@hudrik/core/contracts';
import { router, type Href } from 'expo-router';
import { Pressable, View } from 'react-native';
import { Button, Words } from '@/design';
import { Silhouette } from '@/features/fleet';
import { useRaise } from '@/features/service';
import { sayMinutes } from '@/writing';
import { sayShiftLine } from './sayShiftLine';

/** One line of the shift: tag, what, why now, minutes, one button. */
export function ShiftRow({ line }: { readonly line: ShiftLine }) {
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
      <ActionOf line={line} />
    </View>
  );
}

function ActionOf({ line }: { readonly line: ShiftLine }) {
  const go = (href: Href) => () => router.navigate(href);
  const button = 'w-[116px] rounded-none border-0 border-l border-card-edge px-2';
  if (line.code === 'back-not-looked-at' || line.code === 'overdue')
    return (
      <Button
        className={button}
        kind={line.code === 'overdue' ? 'plain' : 'main'}
        label="Check in"
        aria-label={`Check in ${line.tag}`}
        onPress={go(`/u/${line.tag}/check-in`)}
      />
    );
  if (line.code === 'class-short') return <Button className={button} label="Hires" onPress={go('/hires')} />;
  if (line.code === 'service-due' && line.tag)
    return <RaiseService tag={line.tag} ids={idsOf(line)} className={button} />;
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

/** Items of a service that is due. */
const idsOf = ({ facts }: ShiftLine): string[] => String(facts['ids'] ?? '').split(' ');

interface RaiseProps {
  readonly tag: string;
  readonly ids: readonly string[];
  readonly className: string;
}

function RaiseService({ tag, ids, className }: RaiseProps) {
  const { raiseAll, isOff, refused } = useRaise(tag, ids);
  return (
    <Button
      className={className}
      label={refused ? 'Not raised' : isOff ? 'Raised' : 'Raise'}
      aria-label={`Raise the service of ${tag}`}
      disabled={isOff}
      onPress={raiseAll}
    />
  );
}
