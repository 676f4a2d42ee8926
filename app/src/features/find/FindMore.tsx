import { useState } from 'react';
import { View } from 'react-native';
import { Button, Failure } from '@/design';
import { useFile } from '@/forms/useFile';
import { fromCase, toCase } from './caseFiles';
import type { LocalFinding } from './finding';
import type { FindingHandle } from './useFinding';

/** What else can be done with a finding: the engine, the tools, files in and out. */
export function FindMore({
  finding,
  begin,
  tag,
  onMachine,
  onTools,
}: {
  readonly finding: LocalFinding;
  readonly begin: FindingHandle['begin'];
  readonly tag: string | null;
  readonly onMachine: () => void;
  readonly onTools: () => void;
}) {
  const [refused, setRefused] = useState<string | null>(null);
  const take = async (chosen: File) => {
    const read = fromCase(await chosen.text());
    if (read.ok) begin({ machine: read.machine, brought: read.brought });
    setRefused(read.ok ? null : read.sentence);
  };
  const file = useFile({
    ...{ accept: '.json,application/json', label: 'Case file' },
    onFile: (chosen) => void take(chosen),
  });
  return (
    <View className="gap-2">
      {refused ? <Failure sentence={refused} kept="Nothing of the file was taken." /> : null}
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label="Engine and past" onPress={onMachine} />
        <Button className="grow" label="Tools at hand" onPress={onTools} />
        <Button className="grow" label="Export case" onPress={() => saveCase(toCase(finding), tag)} />
        {tag === null ? <Button className="grow" label="Import case" onPress={file.choose} /> : null}
        {tag === null ? <Button className="grow" kind="quiet" label="Start over" onPress={() => begin()} /> : null}
      </View>
      {file.input}
    </View>
  );
}

function saveCase(text: string, tag: string | null): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }));
  link.download = `${tag ?? 'engine'}.case.json`;
  link.click();
  URL.revokeObjectURL(link.href);
}
