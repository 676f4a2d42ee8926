import { SKILL_IDS, SKILLS, type SkillId } from '@hudrik/core/catalogue';
import { name, ROLES, type Role } from '@hudrik/core/fields';
import { useState } from 'react';
import { View } from 'react-native';
import { object, string } from 'yup';
import { sentenceOf, useAsk, useRead } from '@/api';
import { Button, Card, Choice, Failure, Loading, Page, Section, Words } from '@/design';
import { FormChoices, FormField, newPin, useSchemaForm } from '@/forms';

/** Who works here. Leads add people. */
export function PeopleScreen() {
  const people = useRead('people');
  if (!people.data)
    return people.isError ? <Failure sentence={sentenceOf(people.error)} /> : <Loading what="the people" />;
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {sayPeople(people.data.people.filter((person) => person.leftAt === null).length)}
      </Words>
      {people.data.people.map((person) => (
        <PersonRow key={person.id} person={person} />
      ))}
      <AddPerson />
    </Page>
  );
}

const sayPeople = (count: number): string => (count === 1 ? 'One person' : `${count} people`);

interface Listed {
  readonly id: number;
  readonly name: string;
  readonly role: Role;
  readonly leftAt: string | null;
  readonly skills: readonly SkillId[];
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

const toggled = (skills: readonly SkillId[], id: SkillId): SkillId[] =>
  skills.includes(id) ? skills.filter((one) => one !== id) : [...skills, id];

const pinForm = object({ pin: newPin });

function ChangePerson({ person }: { readonly person: Listed }) {
  const change = useAsk('changePerson');
  const { control, handleSubmit, reset } = useSchemaForm(pinForm, { pin: '' });
  const params = { id: String(person.id) };
  const setPin = handleSubmit(async (body) => {
    await change.mutateAsync({ params, body });
    reset({ pin: '' });
  });
  return (
    <>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} /> : null}
      <View className="flex-row flex-wrap gap-2">
        {ROLES.map((role) => (
          <Choice
            key={role}
            className="grow"
            label={role}
            aria-label={`${person.name} is ${role}`}
            on={person.role === role}
            onPress={() => change.mutate({ params, body: { role } })}
          />
        ))}
      </View>
      <View className="flex-row flex-wrap gap-2" role="group" aria-label="Good at">
        {SKILL_IDS.map((id) => (
          <Choice
            key={id}
            className="grow"
            label={SKILLS[id]}
            aria-label={`${person.name} is good at ${SKILLS[id].toLowerCase()}`}
            on={person.skills.includes(id)}
            onPress={() => change.mutate({ params, body: { skills: toggled(person.skills, id) } })}
          />
        ))}
      </View>
      <FormField control={control} name="pin" label="New PIN or password" secureTextEntry />
      <View className="flex-row flex-wrap gap-2">
        <Button
          className="grow"
          label="Change it and sign them out"
          offBecause={change.offBecause}
          disabled={change.isPending}
          onPress={() => void setPin().catch(() => undefined)}
        />
        <Button
          className="grow"
          kind={person.leftAt ? 'plain' : 'stop'}
          label={person.leftAt ? 'Back on the yard' : 'Left the yard'}
          offBecause={change.offBecause}
          disabled={change.isPending}
          onPress={() => change.mutate({ params, body: { left: person.leftAt === null } })}
        />
      </View>
    </>
  );
}

const addForm = object({
  name: name.required('Enter a name.'),
  role: string().oneOf(ROLES).required(),
  pin: newPin,
});
const EMPTY = { name: '', role: 'technician', pin: '' };
const ROLE_OPTIONS = ROLES.map((role): readonly [Role, string] => [role, role]);

function AddPerson() {
  const add = useAsk('addPerson');
  const { control, handleSubmit, reset } = useSchemaForm(addForm, EMPTY);
  const send = handleSubmit(async (body) => {
    await add.mutateAsync({ body });
    reset(EMPTY);
  });
  return (
    <Section title="Add a person">
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." /> : null}
      <FormField control={control} name="name" label="Name" />
      <FormChoices control={control} name="role" label="Role" options={ROLE_OPTIONS} />
      <FormField control={control} name="pin" label="PIN of six figures, or password" secureTextEntry />
      <Button
        kind="main"
        label="Add"
        offBecause={add.offBecause}
        disabled={add.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Section>
  );
}
