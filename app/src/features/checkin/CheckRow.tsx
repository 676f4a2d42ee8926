import { isNoFigure, readPositive } from '@hudrik/core/figures';
import type { Check } from '@hudrik/core/catalogue';
import { useState } from 'react';
import { Pressable, TextInput, View } from 'react-native';
import { Button, Choice, Words } from '@/design';
import { sayValue } from '@/writing';
import type { DraftAnswer } from './draft';
import { answerOf, BECAUSE_WORD } from './answerOf';

interface Props {
  readonly check: Check;
  readonly answer: DraftAnswer | undefined;
  readonly onOk: () => void;
  readonly onOpen: () => void;
  readonly onAnswer: (answer: DraftAnswer) => void;
  /** The hand that stands before it types at once. */
  readonly isFirstMeasured?: boolean;
}

/** A check of the walk-round. Safety checks carry their answers on them; the others open for an exception. */
export function CheckRow(props: Props) {
  const { check, answer, onOk, onOpen } = props;
  if (check.measured && answer?.result !== 'not-possible' && answer?.result !== 'could-not-look')
    return <MeasuredRow {...props} />;
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
        : answer.result === 'not-possible'
          ? `Not possible: ${BECAUSE_WORD[answer.because ?? 'will-not-start'].toLowerCase()}`
          : (check.exceptions.find((entry) => entry.id === answer.exception)?.words ?? 'Not OK');
  return [result, reading, answer.cause ?? '', photos].filter((part) => part !== '').join(' · ');
}

function SafetyRow({ check, answer, onOk, onOpen }: Pick<Props, 'check' | 'answer' | 'onOk' | 'onOpen'>) {
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

function OrdinaryRow({ check, answer, onOpen }: Pick<Props, 'check' | 'answer' | 'onOpen'>) {
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

/** A check that takes a number: its figure is typed where it stands. */
function MeasuredRow({ check, answer, onOpen, onAnswer, isFirstMeasured = false }: Props) {
  const [text, setText] = useState(answer?.reading ? String(answer.reading.value) : '');
  const { measured } = check;
  if (measured === undefined) return null;
  const write = (typed: string) => {
    setText(typed);
    const value = readPositive(typed);
    if (value !== null) onAnswer(answerOf(check, value, answer));
  };
  const bad = answer?.result === 'not-ok';
  return (
    <View className={`gap-2 border-b border-line px-1 py-2 ${bad ? 'border-l-[6px] border-l-held bg-paper pl-3' : ''}`}>
      <Words>{check.words}</Words>
      <View className="flex-row items-center gap-2">
        <TextInput
          aria-label={`${check.words}, ${measured.unit}`}
          value={text}
          onChangeText={write}
          inputMode="decimal"
          autoFocus={isFirstMeasured && text === ''}
          className="min-h-[52px] w-[120px] rounded-[4px] border-2 border-ink bg-paper px-3 font-figures text-22 text-ink"
        />
        <Words face="figures" size={22} className="flex-1">
          {measured.unit}
        </Words>
        <Button kind="quiet" label="Could not …" aria-label={`Could not: ${check.words}`} onPress={onOpen} />
      </View>
      <Words size={15} tone={bad ? 'held' : 'ink-soft'} face={bad ? 'strong' : 'text'}>
        {isNoFigure(text) ? 'Enter a number, with at most one point.' : sayMeasured(check, answer)}
      </Words>
    </View>
  );
}

function sayMeasured(check: Check, answer: DraftAnswer | undefined): string {
  if (answer?.result === 'not-ok') return check.exceptions.find((one) => one.id === answer.exception)?.sentence ?? '';
  const { limit, unit } = check.measured ?? {};
  if (limit === undefined) return '';
  const from = limit.kind === 'at-most' ? '' : sayValue(limit.min);
  const to = limit.kind === 'at-least' ? '' : sayValue(limit.max);
  return `Right: ${[from, to].filter(Boolean).join(' to ')} ${unit}`;
}
