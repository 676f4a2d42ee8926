import { checksOf, classOf } from '@hudrik/core/catalogue';
import type { UnitPage } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson } from '@/api';
import { Button, Section, Words } from '@/design';
import { WriteSheet } from '@/forms';
import { useEntry } from '@/outbox';
import { sayTime } from '@/writing';

/** What a lead said that this unit has not got: not asked of it, until a lead takes it back. */
export function NotOnThisUnit({ page: { unit, notFitted } }: { readonly page: UnitPage }) {
  const { role } = usePerson();
  const [asked, setAsked] = useState<string | null>(null);
  const send = useEntry('fitted-after-all');
  if (notFitted.length === 0) return null;
  const checks = checksOf(classOf(unit.classId));
  const wordsOf = (id: string): string => checks.find((check) => check.id === id)?.words ?? id;
  return (
    <Section title="Not on this unit" count={notFitted.length}>
      {notFitted.map(({ check, why, by, at }) => (
        <View key={check} className="gap-1 border-b border-line py-2">
          <Words face="strong">{wordsOf(check)}</Words>
          <Words size={15}>{`${why}. ${[by, sayTime(at)].filter(Boolean).join(', ')}.`}</Words>
          {role === 'lead' ? (
            <Button
              kind="quiet"
              className="self-start"
              label="It has it after all"
              aria-label={`It has it after all: ${wordsOf(check)}`}
              onPress={() => setAsked(check)}
            />
          ) : null}
        </View>
      ))}
      {asked ? (
        <WriteSheet
          title="On this unit after all"
          sentence={wordsOf(asked)}
          label="How you know"
          button="Ask it again"
          least={3}
          error={send.error}
          onSend={(why) => send.mutateAsync({ facts: { check: asked, why }, on: { tag: unit.tag } })}
          onClose={() => setAsked(null)}
        />
      ) : null}
    </Section>
  );
}
