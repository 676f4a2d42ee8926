import type { ImportReport } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { factsIn, Refused, sentenceOf, useAsk, usePerson } from '@/api';
import { Button, Empty, Failure, Page, Section, Words } from '@/design';
import { useFile } from '@/forms/useFile';

/** Lists imported and exported, as CSV. */
export function ExchangeScreen() {
  const { role } = usePerson();
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        Import and export lists
      </Words>
      <Section title="Models">
        <Words size={15}>Columns: class, make, model. Import the models before their units.</Words>
        <Button label="Export the models" onPress={() => window.open('/api/export/models')} />
        {role === 'lead' ? <Import operation="importModels" label="Import models" /> : null}
      </Section>
      <Section title="Units">
        <Words size={15}>Columns: tag, make, model, serial, home_bay, hours. The model must be known.</Words>
        <Button label="Export the units" onPress={() => window.open('/api/export/units')} />
        {role === 'lead' ? <Import operation="importUnits" label="Import units" /> : null}
      </Section>
      <Section title="Service plans">
        <Words size={15}>
          Columns: make, model, item, hours, months, first-hours, minutes, includes, kit, severity, season-month. Only
          what a model has of its own; none takes an interval away, off in hours takes the item away, * as the item is
          the whole plan.
        </Words>
        <Button label="Export the service plans" onPress={() => window.open('/api/export/service-plans')} />
        {role === 'lead' ? <Import operation="importPlans" label="Import service plans" /> : null}
      </Section>
      <Section title="Parts">
        <Words size={15}>
          Columns: number, name, cents, place, count, superseded_by, kit_of. A line with superseded_by is an old number;
          kit_of lists pieces as NUMBER*2 OTHER.
        </Words>
        <Button label="Export the parts" onPress={() => window.open('/api/export/parts')} />
        {role === 'lead' ? <Import operation="importParts" label="Import parts" /> : null}
      </Section>
      <Section title="Hires">
        <Words size={15}>Columns: reference, class, tag, from, to. No tag: any unit of the class.</Words>
        <Button label="Export the hires" onPress={() => window.open('/api/export/hires')} />
        {role === 'lead' || role === 'counter' ? <Import operation="importHires" label="Import hires" /> : null}
      </Section>
    </Page>
  );
}

function Import({
  operation,
  label,
}: {
  readonly operation: 'importModels' | 'importUnits' | 'importHires' | 'importParts' | 'importPlans';
  readonly label: string;
}) {
  const take = useAsk(operation);
  const [name, setName] = useState('');
  const send = async (chosen: File) => {
    setName(chosen.name);
    await take.mutateAsync({ raw: { type: 'text/csv', content: await chosen.text() } });
  };
  const file = useFile({
    ...{ accept: '.csv,text/csv', label: `${label}: CSV file` },
    onFile: (chosen) => void send(chosen).catch(() => undefined),
  });
  return (
    <View className="gap-3">
      {file.input}
      <Button
        label={take.isPending ? `Reading ${name}…` : label}
        offBecause={take.offBecause}
        disabled={take.isPending}
        onPress={file.choose}
      />
      {take.isError ? (
        <Failure sentence={sentenceOf(take.error)} kept="Nothing in the file was imported.">
          {take.error instanceof Refused ? <WrongColumns error={take.error} /> : null}
        </Failure>
      ) : null}
      {take.data ? <Report report={take.data} /> : null}
    </View>
  );
}

function WrongColumns({ error }: { readonly error: Refused }) {
  const { missing = [], unknown = [], why } = factsIn(error, 'wrong-columns') ?? {};
  return (
    <Words size={15}>
      {[
        missing.length > 0 ? `Missing: ${missing.join(', ')}.` : '',
        unknown.length > 0 ? `Unknown: ${unknown.join(', ')}.` : '',
        why ?? '',
      ].join(' ')}
    </Words>
  );
}

function Report({ report }: { readonly report: ImportReport }) {
  return (
    <View className="gap-1" role="status">
      <Words face="strong">
        {report.taken} imported, {report.refused} refused.
      </Words>
      {report.lines.length === 0 ? <Empty sentence="The file holds no lines." /> : null}
      {report.lines.slice(0, 200).map((line) => (
        <Words key={line.line} size={15} tone={line.taken ? 'ink' : 'held'}>
          Line {line.line}: {line.what}: {line.taken ? 'imported' : `refused. ${line.why ?? ''}`}
        </Words>
      ))}
    </View>
  );
}
