import { systemsSaid } from '@hudrik/core/log';
import { View } from 'react-native';
import { Choice, Section, Words } from '@/design';
import { SYSTEM_WORDS } from './ThingSheet';
import type { CardHandle } from './useCard';

/** What came off and belongs to nothing yet: by that it is known what to look at before it is signed. */
export function SystemsAsked({ handle: { card, add } }: { readonly handle: CardHandle }) {
  if (card === null || systemsSaid({ card }) === null) return null;
  return (
    <Section title="What does it belong to?">
      <Words size={15}>By that it is known what is looked at before it goes out.</Words>
      {card.ledger.things
        .filter((thing) => thing.system === undefined)
        .map(({ thingId, what, key, tray, place, fasteners, orientation, linkHole, stack, quarterTurns }) => (
          <View key={thingId} className="gap-2 border-b border-line py-2">
            <Words face="strong">{what}</Words>
            <View className="flex-row flex-wrap gap-2" role="group" aria-label={`${what} belongs to`}>
              {SYSTEM_WORDS.map(([system, words]) => (
                <Choice
                  key={system}
                  className="grow"
                  label={words}
                  on={false}
                  onPress={() =>
                    add('thing-changed', {
                      ...{ thingId, what, key, tray, place, orientation, linkHole, quarterTurns, system },
                      ...{ fasteners: [...fasteners], stack: [...stack] },
                    })
                  }
                />
              ))}
            </View>
          </View>
        ))}
    </Section>
  );
}
