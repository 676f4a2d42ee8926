import { ROLES, type Role } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange, useRead } from '@/api';
import { Button, Card, Choice, Failure, Field, Loading, Page, Section, Words } from '@/design';

/** Who works here. Leads add people. */
export function PeopleScreen() {
  const people = useRead('people');
  if (!people.data)
    return people.isError ? <Failure sentence={sentenceOf(people.error)} /> : <Loading what="the people" />;
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {people.data.people.filter((person) => person.leftAt === null).length} people
      </Words>
      {people.data.people.map((person) => (
        <PersonRow key={person.id} person={person} />
      ))}
      <AddPerson />
    </Page>
  );
}

interface Listed {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly leftAt: string | null;
}

function PersonRow({ person }: { readonly person: Listed }) {
  const [open, setOpen] = useState(false);
  return (
    <Card className="gap-3">
      <View className="flex-row items-center justify-between gap-3">
        <Words face="strong" className="min-w-0 flex-1">
          {person.name}
        </Words>
        <Words>{person.leftAt ? `${person.role}, left` : person.role}</Words>
        <Button kind="quiet" label="Change" aria-label={`Change ${person.name}`} onPress={() => setOpen(!open)} />
      </View>
      {open ? <ChangePerson person={person} /> : null}
    </Card>
  );
}

function ChangePerson({ person }: { readonly person: Listed }) {
  const change = useChange('changePerson');
  const [pin, setPin] = useState('');
  const send = (body: { role?: Role; pin?: string; left?: boolean }) =>
    change.mutate({ params: { id: String(person.id) }, body });
  return (
    <>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} /> : null}
      <View className="flex-row flex-wrap gap-2">
        {ROLES.map((entry) => (
          <Choice
            key={entry}
            className="grow"
            label={entry}
            aria-label={`${person.name} is ${entry}`}
            on={person.role === entry}
            onPress={() => send({ role: entry })}
          />
        ))}
      </View>
      <Field label="New PIN or password" value={pin} onChangeText={setPin} secureTextEntry />
      <View className="flex-row flex-wrap gap-2">
        <Button
          className="grow"
          label="Set it, and sign them out"
          disabled={pin.length < 4 || change.isPending}
          onPress={() => {
            send({ pin });
            setPin('');
          }}
        />
        <Button
          className="grow"
          kind={person.leftAt ? 'plain' : 'stop'}
          label={person.leftAt ? 'Back on the yard' : 'Left the yard'}
          onPress={() => send({ left: person.leftAt === null })}
        />
      </View>
    </>
  );
}

function AddPerson() {
  const add = useChange('addPerson');
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('technician');
  const [pin, setPin] = useState('');
  const send = async () => {
    await add.mutateAsync({ body: { name, role, pin } });
    setName('');
    setPin('');
  };
  return (
    <Section title="Add a person">
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." /> : null}
      <Field label="Name" value={name} onChangeText={setName} />
      <View className="flex-row flex-wrap gap-2">
        {ROLES.map((entry) => (
          <Choice key={entry} className="grow" label={entry} on={role === entry} onPress={() => setRole(entry)} />
        ))}
      </View>
      <Field label="PIN or password" value={pin} onChangeText={setPin} secureTextEntry />
      <Button
        kind="main"
        label="Add"
        disabled={name.trim() === '' || pin.length < 4 || add.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Section>
  );
}
