import type { ExchangePart } from '@hudrik/core/contracts';
import { EXCHANGE_PART } from '@hudrik/core/states';
import { View } from 'react-native';
import { sentenceOf, useRead } from '@/api';
import { Button, Empty, Failure, Section, Words } from '@/design';
import { useChange } from '@/outbox';

const STATE_WORD: Readonly<Record<ExchangePart['state'], string>> = {
  'as-taken': 'as it came off',
  cleaned: 'cleaned',
  proven: 'proven',
  fitted: 'fitted',
  scrapped: 'scrapped',
};

/** Parts that were taken off and kept: cleaned, proven, they are stock. */
export function ExchangeParts({ works }: { readonly works: boolean }) {
  const parts = useRead('exchangeParts').data?.parts ?? [];
  const change = useChange('changeExchangePart');
  return (
    <Section title="Exchange parts" count={parts.length}>
      {change.isError ? <Failure sentence={sentenceOf(change.error)} /> : null}
      {parts.length === 0 ? (
        <Empty sentence="A part that is taken off, cleaned and proven can be fitted again. Keep one when you replace it on a card." />
      ) : null}
      {parts.map((part) => (
        <View key={part.id} className="gap-2 border-b border-line py-2">
          <Words face="strong">{part.name}</Words>
          <Words size={13} tone="ink-soft">
            {[STATE_WORD[part.state], `off ${part.origin}`, part.number, part.place].filter(Boolean).join(' · ')}
          </Words>
          {works ? (
            <View className="flex-row flex-wrap gap-2">
              {EXCHANGE_PART.states
                .filter((state) => EXCHANGE_PART.after(part.state, state).ok)
                .map((state) => (
                  <Button
                    key={state}
                    className="grow"
                    kind={state === 'scrapped' ? 'quiet' : 'plain'}
                    label={STATE_WORD[state]}
                    aria-label={`${part.name}: ${STATE_WORD[state]}`}
                    disabled={change.isPending}
                    onPress={() => change.mutate({ params: { id: part.id }, body: { state } })}
                  />
                ))}
            </View>
          ) : null}
        </View>
      ))}
    </Section>
  );
}
