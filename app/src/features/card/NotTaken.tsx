import { View } from 'react-native';
import { Button, Failure, Words } from '@/design';
import { sayEntry } from './say';
import type { CardHandle } from './useCard';

/** What waits on this device, and what the server would not take: kept, said, and for a person to decide. */
export function NotTaken({ handle: { unsent, forget } }: { readonly handle: CardHandle }) {
  const waiting = unsent.filter(({ refused }) => refused === null).length;
  return (
    <>
      {unsent.flatMap(({ entry, refused }) =>
        refused === null
          ? []
          : [
              <Failure key={entry.id} sentence={`Not taken: ${sayEntry(entry)}.`} kept={refused}>
                <Button className="self-start" label="Seen, put it away" onPress={() => forget(entry.id)} />
              </Failure>,
            ],
      )}
      {waiting > 0 ? (
        <View role="status" className="border-l-[6px] border-mark bg-paper p-2">
          <Words size={15}>
            {waiting === 1 ? 'One entry waits on this device.' : `${waiting} entries wait on this device.`}
          </Words>
        </View>
      ) : null}
    </>
  );
}
