import type { Role } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useAsk, usePerson, useRead } from '@/api';
import { Button, Choice, Failure, Field, Section, Words } from '@/design';
import { useTakePhoto } from '@/photos';

/** Another has looked too, by their word; or nobody who may was there, and that is said. */
export type Second =
  | { readonly witnessId: string; readonly name: string }
  | { readonly alone: { readonly why: string; readonly photoId: string | null } };

/** What an entry says of it. */
export const secondIn = (second: Second | null): Pick<Partial<Said>, keyof Said> =>
  second === null ? {} : 'witnessId' in second ? { witnessId: second.witnessId } : second;
interface Said {
  readonly witnessId: string;
  readonly alone: { readonly why: string; readonly photoId: string | null };
}

/** The photos that go ahead of what says it. */
export const photosOf = (second: Second | null): readonly string[] =>
  second !== null && 'alone' in second && second.alone.photoId !== null ? [second.alone.photoId] : [];

interface Props {
  /** Why two are wanted. */
  readonly sentence: string;
  /** Who may be the other. */
  readonly who: readonly Role[];
  /** Something can be seen of it: alone, a photo shows it. */
  readonly wantsPhoto: boolean;
  readonly second: Second | null;
  readonly onSecond: (second: Second | null) => void;
}

/** Two people say that they have looked: the other by their PIN, here; where nobody else is there, the one says so and why. */
export function SecondPerson({ sentence, who, wantsPhoto, second, onSecond }: Props) {
  const me = usePerson();
  const options = useRead('signInOptions');
  const [chosen, setChosen] = useState<number | 'alone' | null>(null);
  const others = (options.data?.people ?? []).filter((person) => person.id !== me.id && who.includes(person.role));
  if (second !== null && 'witnessId' in second)
    return (
      <Section title="A second person">
        <Words face="strong" role="status">{`✓ ${second.name} has looked too.`}</Words>
      </Section>
    );
  const person = others.find(({ id }) => id === chosen);
  return (
    <Section title="A second person">
      <Words>{sentence}</Words>
      <View className="gap-2" role="group" aria-label="Who has looked too">
        {others.map(({ id, name, role }) => (
          <Choice
            key={id}
            label={`${name}, ${role}`}
            on={chosen === id}
            onPress={() => {
              setChosen(id);
              onSecond(null);
            }}
          />
        ))}
        <Choice
          label="Nobody else is here"
          on={chosen === 'alone'}
          onPress={() => {
            setChosen('alone');
            onSecond(null);
          }}
        />
      </View>
      {person ? <ByPin key={person.id} person={person} onSecond={onSecond} /> : null}
      {chosen === 'alone' ? <Alone wantsPhoto={wantsPhoto} onSecond={onSecond} /> : null}
    </Section>
  );
}

/** The other's PIN is their word that they have looked. */
function ByPin({
  person,
  onSecond,
}: {
  readonly person: { readonly id: number; readonly name: string; readonly demoPin?: string | undefined };
  readonly onSecond: (second: Second) => void;
}) {
  const [pin, setPin] = useState('');
  const witness = useAsk('makeWitness');
  const say = async () => {
    const { witnessId, name } = await witness.mutateAsync({ body: { personId: person.id, pin } });
    onSecond({ witnessId, name });
  };
  return (
    <View className="gap-2">
      {witness.isError ? <Failure sentence={sentenceOf(witness.error)} /> : null}
      <Field label={`PIN of ${person.name}`} value={pin} onChangeText={setPin} secureTextEntry autoFocus />
      {person.demoPin ? <Words size={15} tone="ink-soft">{`Demo PIN ${person.demoPin}`}</Words> : null}
      <Button
        label={`${person.name}: I have looked too`}
        disabled={witness.isPending}
        offBecause={pin.length < 4 ? 'They enter it themselves.' : witness.offBecause}
        onPress={() => void say().catch(() => undefined)}
      />
    </View>
  );
}

/** Alone: kept with what was done, and the next who may countersigns. */
function Alone({
  wantsPhoto,
  onSecond,
}: {
  readonly wantsPhoto: boolean;
  readonly onSecond: (second: Second | null) => void;
}) {
  const [why, setWhy] = useState('');
  const [photoId, setPhotoId] = useState<string | null>(null);
  const say = (text: string, photo: string | null) => {
    const isSaid = text.trim().length >= 3 && (photo !== null || !wantsPhoto);
    onSecond(isSaid ? { alone: { why: text.trim(), photoId: photo } } : null);
  };
  const photo = useTakePhoto((id) => {
    setPhotoId(id);
    say(why, id);
  });
  return (
    <View className="gap-2">
      <Field
        label="Why it cannot wait for a second person"
        value={why}
        onChangeText={(text) => {
          setWhy(text);
          say(text, photoId);
        }}
        multiline
      />
      {photo.input}
      {photo.wrong ? (
        <Words tone="held" role="alert">
          {photo.wrong}
        </Words>
      ) : null}
      {wantsPhoto ? (
        <Button label={photoId === null ? 'Photo of it' : '✓ Photo taken. Another'} onPress={photo.take} />
      ) : null}
      <Words size={15}>It is marked as done alone. The next who may sees it on Shift and countersigns.</Words>
    </View>
  );
}
