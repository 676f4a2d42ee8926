import { useState, type ReactNode } from 'react';
import { View } from 'react-native';
import { Button } from './Button';
import { Words } from './Words';

export interface FeedLineProps {
  /** How it stands with what is read from outside. */
  readonly sentence: string;
  readonly isWrong: boolean;
  /** What of it asks for a look, each in a sentence; and what the button says that shows them. What asks to be answered stands below. */
  readonly lines: readonly string[];
  readonly more: string;
  /** Reads it now; none: this person may not. */
  readonly read?: (() => void) | undefined;
  readonly isReading?: boolean;
  /** Why it cannot be read now. */
  readonly offBecause?: string | null;
  readonly children?: ReactNode;
}

const PROBLEM: Readonly<Record<string, string>> = {
  away: 'cannot be reached',
  slow: 'answers too slowly',
  'too-long': 'sent more than 10 MB',
  'too-many': 'sent more than 20,000 entries',
  'too-slow': 'sent what takes too long to read',
  'leads-elsewhere': 'sends us on to another address',
  'private-address': 'is at an address of this network that nobody named',
  'other-type': 'sent a page or a picture, no list',
  'unknown-charset': 'sent a list in signs that nobody knows',
  'cut-short': 'sent half a list',
  nonsense: 'sent what is no list',
};
/** What is wrong with a feed, after its name. */
export const sayFeedProblem = (problem: string): string => PROBLEM[problem] ?? problem;

/** One line of how it stands with something outside that is read: when, what is wrong, what of it was not taken. */
export function FeedLine({
  sentence,
  isWrong,
  lines,
  more,
  read,
  isReading = false,
  offBecause,
  children,
}: FeedLineProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <View className={`gap-1 border-l-[6px] pl-3 ${isWrong || lines.length > 0 ? 'border-prep' : 'border-line'}`}>
      <View className="flex-row flex-wrap items-center gap-3">
        <Words size={15} className="min-w-0 flex-1 basis-[220px]" role="status">
          {sentence}
        </Words>
        {read ? (
          <Button kind="quiet" label="Read it now" disabled={isReading} offBecause={offBecause} onPress={read} />
        ) : null}
        {lines.length > 0 ? (
          <Button kind="quiet" label={isOpen ? 'Less' : more} onPress={() => setOpen(!isOpen)} />
        ) : null}
      </View>
      {isOpen
        ? lines.map((line) => (
            <Words key={line} size={15}>
              {line}
            </Words>
          ))
        : null}
      {children}
    </View>
  );
}
