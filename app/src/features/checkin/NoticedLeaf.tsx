import { classOf, COMPLAINT_GROUPS, complaintsOf } from '@hudrik/core/catalogue';
import { View } from 'react-native';
import { Button, Choice, Field, Section } from '@/design';
import type { LeafProps } from './leaf';
import { LeafFrame } from './LeafFrame';
import { PutAway } from './PutAway';

const HEADING = {
  machine: 'The machine',
  starting: 'Starting',
  running: 'Running',
  'smoke-and-feel': 'Smoke, smell, feel',
} as const;

/** What the hirer noticed: taps in the fault-finding vocabulary, and free words. */
export function NoticedLeaf({ draft, change, next }: LeafProps) {
  const complaints = complaintsOf(classOf(draft.opening.classId));
  const toggle = (id: string) =>
    change({
      complaintIds: draft.complaintIds.includes(id)
        ? draft.complaintIds.filter((entry) => entry !== id)
        : [...draft.complaintIds, id],
    });
  const nothing = draft.complaintIds.length === 0 && draft.remarks.trim() === '';
  return (
    <LeafFrame action={<Button kind="main" tall label={nothing ? 'Nothing noticed' : 'Next'} onPress={next} />}>
      {COMPLAINT_GROUPS.map((group) => (
        <Section key={group} title={HEADING[group]}>
          <View className="flex-row flex-wrap gap-2">
            {complaints
              .filter((entry) => entry.group === group)
              .map((entry) => (
                <Choice
                  key={entry.id}
                  className="grow"
                  label={entry.words}
                  tone="held"
                  on={draft.complaintIds.includes(entry.id)}
                  onPress={() => toggle(entry.id)}
                />
              ))}
          </View>
        </Section>
      ))}
      <PutAway past={draft.past ?? {}} onChange={(past) => change({ past })} />
      <Field
        label="In the hirer’s own words"
        value={draft.remarks}
        onChangeText={(remarks) => change({ remarks })}
        multiline
        maxLength={2000}
      />
    </LeafFrame>
  );
}
