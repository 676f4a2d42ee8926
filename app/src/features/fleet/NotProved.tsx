import type { Unproved } from '@hudrik/core/contracts';
import { View } from 'react-native';
import { Words } from '@/design';
import { sayTime } from '@/writing';
import { sayMissing } from './sayMissing';

/** What the last proof could not show, for want of a load: whoever hands it out knows. */
export const NotProved = ({ unproved: { why, what, at } }: { readonly unproved: Unproved }) => (
  <View role="note" className="border-l-[6px] border-prep bg-paper p-3">
    <Words face="strong">Not proved under load</Words>
    <Words size={15}>{`${what.map(sayMissing).join('; ')}. ${why}, ${sayTime(at)}.`}</Words>
  </View>
);
