import type { WorkingHours } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson, useRead } from '@/api';
import { Button, Card, Empty, Failure, Field, Loading, Page, Words } from '@/design';
import { sayAs } from '@/writing';
import { WeekForm } from './WeekForm';
import { textOf, WEEKDAYS } from './weekText';
import { useChange } from '@/outbox';

type Person = WorkingHours['people'][number];

/** Who works at the bench when, and who is away: what the plan is laid over. */
export function HoursScreen() {
  const hours = useRead('workingHours');
  if (!hours.data)
    return hours.isError ? (
      <Failure sentence="The hours cannot be fetched just now." retry={() => void hours.refetch()} />
    ) : (
      <Loading what="the hours" />
    );
  const { people } = hours.data;
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        Who works when
      </Words>
      <Words>The plan of the bench puts work into these hours only. A change plans anew.</Words>
      {people.length === 0 ? <Empty sentence="Nobody who may sign off is here." /> : null}
      {people.map((person) => (
        <HoursOf key={`${person.id} ${JSON.stringify(person.hours)}`} person={person} />
      ))}
    </Page>
  );
}

function HoursOf({ person }: { readonly person: Person }) {
  const isLead = usePerson().role === 'lead';
  return (
    <Card className="gap-3">
      <Words role="heading" aria-level={2} face="strong" size={22}>
        {person.name}
      </Words>
      {person.isUsual && person.hours.length > 0 ? (
        <Words size={15}>Nobody said otherwise: the usual hours.</Words>
      ) : null}
      {isLead ? <OwnWeek person={person} /> : <Week person={person} />}
      <Absences person={person} isLead={isLead} />
    </Card>
  );
}

function Week({ person }: { readonly person: Person }) {
  if (person.hours.length === 0) return <Words>Does not work at the bench.</Words>;
  return (
    <View className="gap-1">
      {WEEKDAYS.map((day, at) => (
        <View key={day} className="flex-row gap-3">
          <Words className="w-[108px]">{day}</Words>
          <Words face="figures" size={17}>
            {textOf(person.hours, at + 1) || '–'}
          </Words>
        </View>
      ))}
    </View>
  );
}

function OwnWeek({ person }: { readonly person: Person }) {
  const change = useChange('setHours');
  return (
    <View className="gap-2">
      <WeekForm
        of={person.name}
        hours={person.hours}
        empty="does not work"
        isPending={change.isPending}
        onKeep={(hours) => change.mutate({ params: { id: String(person.id) }, body: { hours } })}
      />
      {change.error ? <Failure sentence={change.error.message} kept="The hours are as they were." /> : null}
    </View>
  );
}

const DAY = /^\d{4}-\d\d-\d\d$/;

function Absences({ person, isLead }: { readonly person: Person; readonly isLead: boolean }) {
  const end = useChange('endAbsence');
  return (
    <View className="gap-2">
      {person.absences.map(({ id, fromOn, toOn, why }) => (
        <View key={id} className="flex-row items-center gap-3 border border-line bg-paper pl-3">
          <Words className="flex-1">{`Away ${sayDays(fromOn, toOn)}${why ? `: ${why}` : ''}`}</Words>
          {isLead ? (
            <Button
              kind="quiet"
              label="Not away"
              aria-label={`${person.name} is not away ${sayDays(fromOn, toOn)}`}
              disabled={end.isPending}
              onPress={() => end.mutate({ params: { id: String(id) } })}
            />
          ) : null}
        </View>
      ))}
      {isLead ? <AbsenceForm person={person} /> : null}
    </View>
  );
}

const sayDays = (from: string, to: string): string => {
  const day = (date: string): string => sayAs(`${date}T12:00:00Z`, 'EEE d MMM');
  return from === to ? day(from) : `${day(from)} to ${day(to)}`;
};

function AbsenceForm({ person }: { readonly person: Person }) {
  const [isOpen, setOpen] = useState(false);
  const [from, setFrom] = useState(() => sayAs(Date.now(), 'yyyy-MM-dd'));
  const [to, setTo] = useState(from);
  const [why, setWhy] = useState('');
  const add = useChange('addAbsence');
  if (!isOpen)
    return (
      <Button
        label="Will be away"
        aria-label={`${person.name} will be away`}
        className="self-start"
        onPress={() => setOpen(true)}
      />
    );
  const wrong =
    !DAY.test(from) || !DAY.test(to) ? 'Days as 2030-05-01.' : to < from ? 'It ends before it begins.' : null;
  const save = () =>
    add.mutate(
      { body: { personId: person.id, fromOn: from, toOn: to, why: why.trim() } },
      { onSuccess: () => setOpen(false) },
    );
  return (
    <View className="gap-2 border border-line bg-paper p-3">
      <Field label="From" value={from} onChangeText={setFrom} placeholder="2030-05-01" />
      <Field label="Up to and with" value={to} onChangeText={setTo} placeholder="2030-05-01" />
      <Field label="Why" value={why} onChangeText={setWhy} />
      <Button kind="main" label="Plan without" offBecause={wrong} disabled={add.isPending} onPress={save} />
      {add.error ? <Failure sentence={add.error.message} /> : null}
    </View>
  );
}
