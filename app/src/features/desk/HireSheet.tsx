import { CLASS_TAGS } from '@hudrik/core/classTags';
import type { CalendarHire, HireCalendar } from '@hudrik/core/contracts';
import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useAsk, usePerson } from '@/api';
import { Button, Choice, DateTimeField, Failure, Section, Sheet, Words } from '@/design';
import { instantOf, sayAs, sayTime } from '@/writing';
import { sayHelp } from './sayHire';

interface Props {
  readonly calendar: HireCalendar;
  readonly hire: CalendarHire;
  readonly onClose: () => void;
}

/** A hire of the calendar: with which unit and why, what would help, and what the desk makes of it. */
export function HireSheet({ calendar, hire, onClose }: Props) {
  const { role } = usePerson();
  const { reference, tag, isOwn, overruns, state } = hire;
  const unit = CLASS_TAGS[hire.classId].name.toLowerCase();
  return (
    <Sheet title={reference} open onClose={onClose}>
      <Words face="strong">{`${sayTime(hire.fromAt)} to ${sayTime(hire.toAt)}${hire.hirer ? `, ${hire.hirer}` : ''}`}</Words>
      <Words>
        {tag === null
          ? sayHelp(hire)
          : isOwn
            ? `Booked with ${tag}.`
            : `Any ${unit} will do: ${tag} is given${overruns ? '; none is free whose service lasts longer' : ', since its service lasts'}.`}
      </Words>
      {overruns ? <Words tone="prep">{`A service of ${tag} runs out during this hire. Do it before.`}</Words> : null}
      {tag === null ? null : <Button label={`To ${tag}`} onPress={() => router.navigate(`/u/${tag}` as Href)} />}
      {state === 'booked' && (role === 'lead' || role === 'counter') ? (
        <ChangeHire calendar={calendar} hire={hire} onClose={onClose} />
      ) : null}
    </Sheet>
  );
}

const typed = (instant: string): string => sayAs(instant, "yyyy-MM-dd'T'HH:mm");

function ChangeHire({ calendar, hire, onClose }: Props) {
  const change = useAsk('changeHire');
  const own = hire.isOwn ? hire.tag : null;
  const [tag, setTag] = useState(own);
  const [from, setFrom] = useState(() => typed(hire.fromAt));
  const [to, setTo] = useState(() => typed(hire.toAt));
  const [fromAt, toAt] = [instantOf(from), instantOf(to)];
  const isSame = tag === own && from === typed(hire.fromAt) && to === typed(hire.toAt);
  const wrong =
    fromAt === null || toAt === null ? 'Choose a day and a time.' : isSame ? 'Nothing is changed yet.' : null;
  const units = calendar.units.filter((unit) => unit.classId === hire.classId && isFree(calendar, unit.tag, hire));
  const save = () => {
    if (fromAt === null || toAt === null) return;
    const times = { ...(from === typed(hire.fromAt) ? {} : { fromAt }), ...(to === typed(hire.toAt) ? {} : { toAt }) };
    const body = { ...(tag === own ? {} : { tag }), ...times };
    change.mutate({ params: { reference: hire.reference }, body }, { onSuccess: onClose });
  };
  return (
    <Section title="Change it">
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="With which unit">
        <Choice label="Any" on={tag === null} onPress={() => setTag(null)} />
        {units.map((unit) => (
          <Choice key={unit.tag} label={unit.tag} on={tag === unit.tag} onPress={() => setTag(unit.tag)} />
        ))}
      </View>
      <DateTimeField label="From" value={from} onChange={setFrom} />
      <DateTimeField label="To" value={to} onChange={setTo} />
      {change.error ? <Failure sentence={sentenceOf(change.error)} kept="The hire is as it was." /> : null}
      <Button
        kind="main"
        label="Change the hire"
        offBecause={wrong ?? change.offBecause}
        disabled={change.isPending}
        onPress={save}
      />
    </Section>
  );
}

/** No other hire has booked it in that time. */
const isFree = ({ hires }: HireCalendar, tag: string, { reference, fromAt, toAt }: CalendarHire): boolean =>
  !hires.some(
    (other) =>
      other.reference !== reference && other.isOwn && other.tag === tag && other.fromAt < toAt && fromAt < other.toAt,
  );
