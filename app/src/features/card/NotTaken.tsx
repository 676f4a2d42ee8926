import { View } from 'react-native';
import { Button, Failure, Words } from '@/design';
import { usePerson } from '@/api';
import { entryOf, isBy } from '@/outbox';
import { sayEntry, sayRefusal } from './say';
import type { CardHandle } from './useCard';

/** What waits on this device, and what the server would not take: kept, said, and for a person to decide. */
export function NotTaken({ handle: { pending, card, forget } }: { readonly handle: CardHandle }) {
  const person = usePerson();
  const waiting = pending.filter((item) => item.state === 'waiting').length;
  return (
    <>
      {pending.map((item) =>
        item.problem ? (
          <Failure
            key={item.id}
            sentence={`Not taken: ${sayEntry(entryOf(item), card)}.`}
            kept={sayRefusal(item.problem)}
          >
            {isBy(item.maker, person) ? (
              <Button className="self-start" label="Dismiss" onPress={() => forget(item.id)} />
            ) : null}
          </Failure>
        ) : null,
      )}
      {waiting > 0 ? (
        <View role="status" className="border-l-[6px] border-mark bg-paper p-2">
          <Words size={15}>
            {waiting === 1 ? 'One entry is not sent yet.' : `${waiting} entries are not sent yet.`}
          </Words>
        </View>
      ) : null}
    </>
  );
}
