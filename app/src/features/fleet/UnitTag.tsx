import type { UnitLine } from '@hudrik/core/contracts';
import { Link } from 'expo-router';
import { Pressable, View } from 'react-native';
import { HangTag, Readiness, ReadinessMark, READINESS_WORD, Words } from '@/design';
import { sayReadiness, sayReason } from './say';
import { Silhouette } from './silhouettes';

const share = (unit: UnitLine): number => unit.hoursToOilService / unit.oilServiceEvery;

/** The unit's tag as a row of a list: number, mark, reason. Opens the unit. */
export function UnitTagRow({ unit, focused = false }: { readonly unit: UnitLine; readonly focused?: boolean }) {
  return (
    <Link href={`/u/${unit.tag}`} asChild>
      <Pressable
        role="link"
        aria-label={`${unit.tag}, ${sayReadiness(unit.verdict)}`}
        className={focused ? 'outline outline-[3px] outline-out' : ''}
      >
        <HangTag scale={share(unit)}>
          <View className="flex-row items-center gap-3">
            <Silhouette classId={unit.classId} size={36} />
            <Words face="stencil" size={22} className="w-[84px]">
              {unit.tag}
            </Words>
            <View className="min-w-0 flex-1">
              <Words face="strong" size={15} tone={unit.verdict.readiness}>
                {READINESS_WORD[unit.verdict.readiness]}
              </Words>
              <Words size={13} numberOfLines={2}>
                {sayReason(unit)}
              </Words>
            </View>
            <ReadinessMark of={unit.verdict.readiness} size={26} />
          </View>
        </HangTag>
      </Pressable>
    </Link>
  );
}

/** The tag as it hangs on the wall. A unit that is out leaves an empty hook with its number. */
export function UnitTagOnWall({ unit, focused }: { readonly unit: UnitLine; readonly focused: boolean }) {
  const out = unit.verdict.readiness === 'out';
  return (
    <Link href={`/u/${unit.tag}`} asChild>
      <Pressable
        role="link"
        aria-label={`${unit.tag}, ${sayReadiness(unit.verdict)}`}
        className={`w-[168px] ${focused ? 'outline outline-[3px] outline-out' : ''}`}
      >
        <HangTag scale={out ? null : share(unit)} tone={out ? 'empty' : 'card'}>
          <View className="flex-row items-center justify-between">
            <Words face="stencil" size={22} tone={out ? 'ink-soft' : 'ink'}>
              {unit.tag}
            </Words>
            <ReadinessMark of={unit.verdict.readiness} size={20} />
          </View>
          <Words face="strong" size={13} tone={unit.verdict.readiness}>
            {READINESS_WORD[unit.verdict.readiness]}
          </Words>
          <Words size={13} numberOfLines={2} className="h-[36px]">
            {sayReason(unit)}
          </Words>
        </HangTag>
      </Pressable>
    </Link>
  );
}

/** The large tag at the head of a unit's screens. */
export function UnitTagLarge({
  unit,
}: {
  readonly unit: Pick<UnitLine, 'tag' | 'classId' | 'model' | 'verdict' | 'hoursToOilService' | 'oilServiceEvery'>;
}) {
  return (
    <HangTag large scale={unit.hoursToOilService / unit.oilServiceEvery}>
      <View className="flex-row items-start gap-3">
        <View className="min-w-0 flex-1 gap-1">
          <Words face="stencil" size={56} role="heading" aria-level={1}>
            {unit.tag}
          </Words>
          <Words size={15}>
            {unit.model.make} {unit.model.name}
          </Words>
          <View className="mt-2">
            <Readiness of={unit.verdict.readiness} size={30} />
          </View>
        </View>
        <Silhouette classId={unit.classId} size={72} />
      </View>
    </HangTag>
  );
}
