import type { ImportReport } from '@hudrik/core/contracts';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, Refused, useChange } from '@/api';
import { Button, Empty, Failure, Page, Section, Words } from '@/design';
import { usePerson } from '@/features/session';

/** Lists in and out, as CSV. */
export function ExchangeScreen() {
  const { role } = usePerson();
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        Lists in and out
      </Words>
      <Section title="Models">
        <Words size={15}>Columns: class, make, model. Take in the models before their units.</Words>
        <Button label="Give out the models" onPress={() => window.open('/api/export/models')} />
        {role === 'lead' ? <TakeIn operation="importModels" label="Take in models" /> : null}
      </Section>
      <Section title="Units">
        <Words size={15}>Columns: tag, make, model, serial, home_bay, hours. The model must be known.</Words>
        <Button label="Give out the units" onPress={() => window.open('/api/export/units')} />
        {role === 'lead' ? <TakeIn operation="importUnits" label="Take in units" /> : null}
      </Section>
      <Section title="Parts">
        <Words size={15}>
          Columns: number, name, cents, place, count, superseded_by, kit_of. A line with superseded_by is an old number;
          kit_of lists pieces as NUMBER*2 OTHER.
        </Words>
        <Button label="Give out the parts" onPress={() => window.open('/api/export/parts')} />
        {role === 'lead' ? <TakeIn operation="importParts" label="Take in parts" /> : null}
      </Section>
      <Section title="Hires">
        <Words size={15}>Columns: reference, class, tag, from, to. No tag: any unit of the class.</Words>
        <Button label="Give out the hires" onPress={() => window.open('/api/export/hires')} />
        {role === 'lead' || role === 'counter' ? <TakeIn operation="importHires" label="Take in hires" /> : null}
      </Section>
    </Page>
  );
}

function TakeIn({
  operation,
  label,
}: {
  readonly operation: 'importModels' | 'importUnits' | 'importHires' | 'importParts';
  readonly label: string;
}) {
  const take = useChange(operation);
  const file = useRef<HTMLInputElement>(null);
  const [name, setName] = useState('');
  const send = async (chosen: File | undefined) => {
    if (!chosen) return;
    setName(chosen.name);
    await take.mutateAsync({ raw: { type: 'text/csv', content: await chosen.text() } });
  };
  return (
    <View className="gap-3">
      <input
        ref={file}
        type="file"
        accept=".csv,text/csv"
        aria-label={`${label}: CSV file`}
        style={{ display: 'none' }}
        onChange={(event) => {
          void send(event.target.files?.[0]).catch(() => undefined);
          event.target.value = '';
        }}
      />
      <Button
        label={take.isPending ? `Reading ${name}…` : label}
        disabled={take.isPending}
        onPress={() => file.current?.click()}
      />
      {take.isError ? (
        <Failure sentence={sentenceOf(take.error)} kept="Nothing of the file was taken.">
          {take.error instanceof Refused ? <WrongColumns error={take.error} /> : null}
        </Failure>
      ) : null}
      {take.data ? <Report report={take.data as ImportReport} /> : null}
    </View>
  );
}

function WrongColumns({ error }: { readonly error: Refused }) {
  const facts = (error.problem.facts ?? {}) as { missing?: string[]; unknown?: string[]; why?: string };
  return (
    <Words size={15}>
      {[
        facts.missing?.length ? `Missing: ${facts.missing.join(', ')}.` : '',
        facts.unknown?.length ? `Not known: ${facts.unknown.join(', ')}.` : '',
        facts.why ?? '',
      ].join(' ')}
    </Words>
  );
}

function Report({ report }: { readonly report: ImportReport }) {
  return (
    <View className="gap-1" role="status">
      <Words face="strong">
        {report.taken} taken, {report.refused} refused.
      </Words>
      {report.lines.length === 0 ? <Empty sentence="The file holds no lines." /> : null}
      {report.lines.slice(0, 200).map((line) => (
        <Words key={line.line} size={15} tone={line.taken ? 'ink' : 'held'}>
          Line {line.line}: {line.what}: {line.taken ? 'taken' : `refused. ${line.why ?? ''}`}
        </Words>
      ))}
    </View>
  );
}
