import { useState } from 'react';
import { Pressable } from 'react-native';
import { Words } from './Words';

interface Props {
  /** What stands there at first: "common practice". */
  readonly short: string;
  /** Where it comes from, in whole words. */
  readonly words: string;
}

/** Where a figure comes from: a word at first, a tap tells the whole. */
export function Whence({ short, words }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Pressable
      role="button"
      aria-expanded={open}
      aria-label={`Where from: ${short}`}
      onPress={() => setOpen(!open)}
      className="min-h-[44px] max-w-full justify-center self-start"
    >
      <Words size={13} tone="ink-soft" className="underline">
        {open ? words : short}
      </Words>
    </Pressable>
  );
}
