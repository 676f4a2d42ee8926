import type { FromAfar } from '@hudrik/core/contracts';
import { View } from 'react-native';
import { Words } from '@/design';
import { sayFromAfar } from './sayFromAfar';

/** What a unit's machine tells of itself: hours, place, and what is wrong with them. */
export function HoursFromAfar({ of }: { readonly of: FromAfar }) {
  const { hours, place, isWrong } = sayFromAfar(of);
  return (
    <View className={`gap-1 border-l-[6px] pl-3 ${isWrong ? 'border-prep' : 'border-line'}`}>
      <Words size={15} face={isWrong ? 'strong' : 'text'}>
        {hours}
      </Words>
      {place === null ? null : (
        <Words size={13} tone="ink-soft">
          {`It was at ${place}`}
        </Words>
      )}
    </View>
  );
}
