import type { Check } from '@hudrik/core/catalogue';
import { Pressable, View } from 'react-native';
import { Choice, Words } from '@/design';
import type { DraftAnswer } from './draft';

interface Props {
  readonly check: Check;
  readonly answer: DraftAnswer | undefined;
  readonly onOk: () => void;
  readonly onOpen: () => void;
}

/** A check of the walk-round. Safety checks carry their answers on them; the others open for an exception. */
export function CheckRow({ check, answer, onOk, onOpen }: Props) {
  return check.kind === 'safety' ? (
    <SafetyRow check={check} answer={answer} onOk={onOk} onOpen={onOpen} />
  ) : (
    <OrdinaryRow check={check} answer={answer} onOpen={onOpen} />
  );
}

function sayAnswer(check: Check, answer: DraftAnswer | undefined): string | null {
  if (answer === undefined) return null;
  const reading = answer.reading ? `${answer.reading.value} ${answer.reading.unit}` : '';
  const photos = answer.photos.length > 0 ? `${answer.photos.length} photo${answer.photos.length > 1 ? 's' : ''}` : '';
  const result =
    answer.result === 'ok'
      ? 'OK'
      : answer.result === 'could-not-look'
        ? 'Could not look'
        : (check.exceptions.find((entry) => entry.id === answer.exception)?.words ?? 'Not OK');
  return [result, reading, answer.cause ?? '', photos].filter((part) => part !== '').join(' · ');
}

function SafetyRow({ check, answer, onOk, onOpen }: Props) {
  const said = sayAnswer(check, answer);
  return (
    <View className="gap-2 border-2 border-ink bg-card p-3">
      <View className="flex-row items-baseline gap-2">
        <Words face="strong" size={13}>
          SAFETY
        </Words>
        <Words className="min-w-0 flex-1">{check.words}</Words>
      </View>
      <View className="flex-row gap-2">
        <Choice
          className="flex-1"
          label="OK"
          aria-label={`OK: ${check.words}`}
          on={answer?.result === 'ok'}
          onPress={onOk}
        />
        <Choice
          className="flex-1"
          tone="held"
          label={answer && answer.result !== 'ok' ? (said ?? '') : 'Not OK …'}
          aria-label={`Not OK: ${check.words}`}
          on={answer !== undefined && answer.result !== 'ok'}
          onPress={onOpen}
        />
      </View>
    </View>
  );
}

function OrdinaryRow({ check, answer, onOpen }: Omit<Props, 'onOk'>) {
  const said = sayAnswer(check, answer);
  const bad = answer !== undefined && answer.result !== 'ok';
  return (
    <Pressable
      role="button"
      aria-label={`${check.words}${said ? `: ${said}` : ''}. Tap for an exception.`}
      onPress={onOpen}
      className={`min-h-[52px] flex-row items-center gap-3 border-b border-line px-1 py-2 ${bad ? 'border-l-[6px] border-l-held bg-paper pl-3' : ''}`}
    >
      <View className="min-w-0 flex-1">
        <Words>{check.words}</Words>
        {said ? (
          <Words size={15} face="strong" tone={bad ? 'held' : 'fit'}>
            {said}
          </Words>
        ) : null}
      </View>
      <Words size={22} tone="ink-soft" aria-hidden>
        {bad ? '✗' : answer ? '✓' : '…'}
      </Words>
    </Pressable>
  );
}
