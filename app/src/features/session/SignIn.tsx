import type { SignInOptions } from '@hudrik/core/contracts';
import { useEffect, useState } from 'react';
import { ScrollView, View } from 'react-native';
import { forgetReads, queryClient, readKey, sentenceOf, useAsk, useRead } from '@/api';
import { LetIn } from './LetIn';
import { useWait } from './useWait';
import { Button, Empty, Failure, Field, HangTag, Heading, Loading, Words } from '@/design';

const ROLE_WORD = {
  apprentice: 'Apprentice',
  technician: 'Technician',
  lead: 'Lead technician',
  counter: 'Counter clerk',
} as const;

/** Tap a name, give the PIN. The demo fills the PIN in by itself. */
export function SignIn() {
  const options = useRead('signInOptions');
  const signIn = useAsk('signIn');
  // What was read before is not theirs who signs in. Gone before anybody is in: what they read from then on is kept.
  useEffect(() => {
    queryClient.removeQueries({ type: 'inactive' });
    void forgetReads();
  }, []);
  const [chosen, setChosen] = useState<SignInOptions['people'][number] | null>(null);
  const wait = useWait(signIn);
  const enter = async (personId: number, pin: string) => {
    const person = await signIn.mutateAsync({ body: { personId, pin } });
    queryClient.setQueryData(readKey('me'), person);
  };
  if (options.isError)
    return (
      <Failure
        sentence="The yard’s server cannot be reached just now."
        kept="What you entered on this device is kept."
        retry={() => void options.refetch()}
      />
    );
  if (!options.data) return <Loading what="the names" />;
  if (!options.data.isLetIn && !options.data.wantsFirstLead) return <LetIn />;
  return (
    <ScrollView
      className="flex-1 bg-tray"
      contentContainerClassName="w-full max-w-[520px] gap-5 self-center p-5 pt-10"
      role="main"
    >
      <View className="gap-1">
        <Words face="stencil" size={32} role="heading" aria-level={1}>
          HUDRIK
        </Words>
        <Words tone="ink-soft">{options.data.yard}. Who is on shift?</Words>
      </View>
      {signIn.isError ? <Failure sentence={sentenceOf(signIn.error)} /> : null}
      {options.data.wantsFirstLead ? (
        <Empty sentence="There are no people yet. Open the one-time link that the start command printed to create the first lead." />
      ) : null}
      {chosen ? (
        <PinEntry
          person={chosen}
          busy={signIn.isPending}
          offBecause={signIn.offBecause}
          wait={wait}
          onEnter={(pin) => void enter(chosen.id, pin).catch(() => undefined)}
          onBack={() => {
            signIn.reset();
            setChosen(null);
          }}
        />
      ) : (
        <Names
          options={options.data}
          onTap={(person) =>
            person.demoPin ? void enter(person.id, person.demoPin).catch(() => undefined) : setChosen(person)
          }
        />
      )}
    </ScrollView>
  );
}

function Names({
  options,
  onTap,
}: {
  readonly options: SignInOptions;
  readonly onTap: (person: SignInOptions['people'][number]) => void;
}) {
  return (
    <View className="gap-3">
      {options.people.map((person) => (
        <HangTag key={person.id}>
          <Button
            kind="quiet"
            tall
            label={person.name}
            detail={person.demoPin ? `${ROLE_WORD[person.role]} · demo PIN ${person.demoPin}` : ROLE_WORD[person.role]}
            onPress={() => onTap(person)}
          />
        </HangTag>
      ))}
    </View>
  );
}

function PinEntry({
  person,
  busy,
  offBecause,
  wait,
  onEnter,
  onBack,
}: {
  readonly person: SignInOptions['people'][number];
  readonly busy: boolean;
  readonly offBecause: string | null;
  /** Seconds until the next try is taken. */
  readonly wait: number;
  readonly onEnter: (pin: string) => void;
  readonly onBack: () => void;
}) {
  const [pin, setPin] = useState('');
  return (
    <View className="gap-4">
      <Heading>{person.name}</Heading>
      <Field
        label="PIN or password"
        value={pin}
        onChangeText={setPin}
        secureTextEntry
        autoFocus
        onSubmitEditing={() => wait === 0 && pin.length >= 4 && onEnter(pin)}
      />
      <Button
        kind="main"
        tall
        label="Sign in"
        disabled={busy}
        offBecause={
          wait > 0 ? `Wait ${wait} s after so many wrong ones.` : pin.length < 4 ? 'Four figures at least.' : offBecause
        }
        onPress={() => onEnter(pin)}
      />
      <Button label="Another name" onPress={onBack} />
    </View>
  );
}
