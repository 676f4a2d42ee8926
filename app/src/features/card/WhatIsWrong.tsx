import type { CardReply, Defect } from '@hudrik/core/contracts';
import { View } from 'react-native';
import { Empty, ReadinessMark, Section, Words } from '@/design';

/** All that is wrong with the unit, worst first: what closes each, and which job does something about it. */
export function WhatIsWrong({ reply }: { readonly reply: CardReply }) {
  return (
    <Section title="What is wrong" count={reply.defects.length} place="wrong">
      {reply.defects.length === 0 ? <Empty sentence="Nothing is known to be wrong with it." /> : null}
      <View role="list">
        {reply.defects.map((defect) => (
          <Line key={defect.id} defect={defect} reply={reply} />
        ))}
      </View>
    </Section>
  );
}

function Line({ defect, reply }: { readonly defect: Defect; readonly reply: CardReply }) {
  const job = reply.jobs.find((entry) => entry.id === defect.jobId);
  return (
    <View role="listitem" className="flex-row items-start gap-3 border-b border-line py-2">
      <ReadinessMark of={defect.weight === 'hold' ? 'held' : 'prep'} size={20} />
      <View className="min-w-0 flex-1">
        <Words face="strong">{defect.sentence}</Words>
        <Words size={15}>
          {job ? `${job.title}. ${defect.closer}` : `Nothing is being done about it. ${defect.closer}`}
        </Words>
        {defect.safety ? (
          <Words size={13} tone="held">
            Safety: nobody can waive it
          </Words>
        ) : null}
      </View>
    </View>
  );
}
