import { Pressable, ScrollView } from 'react-native';
import { Words } from './Words';

interface Place {
  /** The section's `place`. */
  readonly id: string;
  readonly label: string;
  readonly count?: number;
}

/** To a section of this page, by its `place`. */
export const jumpTo = (id: string): void =>
  globalThis.document?.getElementById(id)?.scrollIntoView({ block: 'start', behavior: 'smooth' });

/** The sections of a long page in one row: a tap goes to one. */
export function JumpStrip({ places }: { readonly places: readonly Place[] }) {
  return (
    <ScrollView horizontal showsHorizontalScrollIndicator={false} role="navigation" aria-label="On this page">
      {places.map(({ id, label, count }) => (
        <Pressable
          key={id}
          role="link"
          aria-label={`To ${label.toLowerCase()}`}
          onPress={() => jumpTo(id)}
          className="min-h-[48px] flex-row items-center gap-2 border-b-2 border-line px-3"
        >
          <Words size={15} face="strong">
            {label}
          </Words>
          {count === undefined || count === 0 ? null : (
            <Words size={15} face="figures">
              {count}
            </Words>
          )}
        </Pressable>
      ))}
    </ScrollView>
  );
}
