import { CALCULATORS } from '@hudrik/core/calculators';
import { router, type Href } from 'expo-router';
import { useState } from 'react';
import { Pressable } from 'react-native';
import { Empty, Field, Page, Words } from '@/design';

interface Line {
  readonly href: Href;
  readonly name: string;
  readonly does: string;
}

/** The bench sums, each usable alone. */
const LINES: readonly Line[] = [
  {
    href: '/torque',
    name: 'Tightening, round by round',
    does: 'Wrench settings with drag and extension; the order of the bolts',
  },
  {
    href: '/open-gap',
    name: 'Open-air gap for a spark tester',
    does: 'The gap that is as hard to jump as the plug in the cylinder',
  },
  ...CALCULATORS.map(({ id, name, does }): Line => ({ href: `/numbers/${id}` as Href, name, does })),
];

/** With the unit that they are asked for. */
const hrefFor = (href: Href, tag: string | null): Href =>
  tag === null ? href : (`${String(href)}?unit=${tag}` as Href);

export function NumbersScreen({ tag = null }: { readonly tag?: string | null }) {
  const [find, setFind] = useState('');
  const wanted = find.trim().toLowerCase();
  const listed = LINES.filter((entry) => `${entry.name} ${entry.does}`.toLowerCase().includes(wanted));
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {tag === null ? 'Numbers' : `Numbers for ${tag}`}
      </Words>
      <Field label="Find a calculation" value={find} onChangeText={setFind} />
      {listed.length === 0 ? <Empty sentence={`No calculation matches “${find}”.`} /> : null}
      {listed.map((entry) => (
        <Pressable
          key={entry.name}
          role="link"
          aria-label={entry.name}
          onPress={() => router.navigate(hrefFor(entry.href, tag))}
          className="min-h-[60px] justify-center border border-card-edge bg-card px-4 py-2"
        >
          <Words face="strong">{entry.name}</Words>
          <Words size={15}>{entry.does}</Words>
        </Pressable>
      ))}
    </Page>
  );
}
