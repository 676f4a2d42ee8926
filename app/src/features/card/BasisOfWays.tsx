import type { WaysReply } from '@hudrik/core/contracts';
import { View } from 'react-native';
import { Section, Whence, Words } from '@/design';
import { sayMoney } from '@/writing';

type Line = WaysReply['basis'][number];

const sayValueOf = ({ value, unit }: Line): string =>
  unit === 'cents' ? sayMoney(Math.round(value)) : `${Math.round(value * 1000) / 10} in 100`;

/** What the figures rest on: each with where it comes from, a tap away. */
export const BasisOfWays = ({ basis }: { readonly basis: WaysReply['basis'] }) => (
  <Section title="What it rests on">
    {basis.map((line) => (
      <View key={line.name} className="border-b border-line pt-1">
        <View className="flex-row items-baseline gap-2">
          <Words size={15} className="min-w-0 flex-1">
            {line.name}
          </Words>
          <Words face="figures">{sayValueOf(line)}</Words>
        </View>
        <Whence short={line.whence.split(/[;:.]/)[0] ?? ''} words={line.whence} />
      </View>
    ))}
  </Section>
);
