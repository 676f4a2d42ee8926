import type { FleetReport } from '@hudrik/core/contracts';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { sentenceOf, useAsk } from '@/api';
import { Button, Choice, Failure, Section, Words } from '@/design';
import { useFile } from '@/forms/useFile';
import { asCsv, guessed, lacking, readSheet, WANTED, type Mapping, type Sheet } from './columns';

/** Units from the yard’s own spreadsheet: columns are told, what would happen is shown, and all of it is taken or nothing. */
export function FleetImport() {
  const take = useAsk('takeFleet');
  const [sheet, setSheet] = useState<Sheet | null>(null);
  const [mapping, setMapping] = useState<Mapping>({});
  const read = async (chosen: File) => {
    const fresh = readSheet(await chosen.text());
    take.reset();
    setSheet(fresh);
    setMapping(guessed(fresh));
  };
  const list = useFile({
    ...{ accept: '.csv,.txt,text/csv', label: 'The list of units' },
    onFile: (chosen) => void read(chosen),
  });
  const send = (isTrial: boolean) =>
    sheet &&
    take.mutate({
      raw: { type: 'text/csv', content: asCsv(sheet, mapping) },
      ...(isTrial ? { query: { trial: 'yes' } } : {}),
    });
  const missing = lacking(mapping);
  const report = take.data;
  const isReady = report !== undefined && !report.isTaken && report.refused === 0 && report.taken > 0;
  return (
    <Section title="Units from your own list">
      {list.input}
      <Words size={15}>
        A spreadsheet saved as CSV, one unit a line. Models that are not known yet come with it. Nothing is taken before
        you have seen what would happen.
      </Words>
      <Button label={sheet ? 'Another file' : 'Choose the file'} onPress={list.choose} />
      {sheet ? <Columns sheet={sheet} mapping={mapping} onChange={setMapping} /> : null}
      {take.isError ? <Failure sentence={sentenceOf(take.error)} kept="Nothing of it was taken." /> : null}
      {sheet ? (
        <Button
          kind={isReady ? 'plain' : 'main'}
          label={take.isPending ? 'Looking through it…' : 'Show what would happen'}
          disabled={take.isPending}
          offBecause={(missing.length > 0 ? `Say which column is: ${missing.join(', ')}.` : null) ?? take.offBecause}
          onPress={() => send(true)}
        />
      ) : null}
      {report ? <Report report={report} /> : null}
      {isReady ? (
        <Button
          kind="main"
          tall
          label={`Take all ${report.taken}`}
          offBecause={take.offBecause}
          disabled={take.isPending}
          onPress={() => send(false)}
        />
      ) : null}
    </Section>
  );
}

interface ColumnsProps {
  readonly sheet: Sheet;
  readonly mapping: Mapping;
  readonly onChange: (mapping: Mapping) => void;
}

/** Which column is which, as far as their names say; a line opens where that is wrong. */
function Columns({ sheet, mapping, onChange }: ColumnsProps) {
  const [open, setOpen] = useState<string | null>(null);
  const nameOf = (at: number): string => sheet.heading[at] || `Column ${at + 1}`;
  const choose = (id: (typeof WANTED)[number]['id'], at: number) => {
    onChange({ ...mapping, [id]: mapping[id] === at ? undefined : at });
    setOpen(null);
  };
  return (
    <View>
      {WANTED.map(({ id, label, isNeeded }) => {
        const at = mapping[id];
        const isOpen = open === id || (isNeeded && at === undefined);
        const chosen = at === undefined ? 'not in the list' : nameOf(at);
        return (
          <View key={id} className="border-b border-line" role="group" aria-label={`Column of: ${label}`}>
            <Pressable
              role="button"
              aria-expanded={isOpen}
              aria-label={`${label}: ${chosen}`}
              onPress={() => setOpen(isOpen ? null : id)}
              className="min-h-[48px] flex-row items-center gap-3 py-1"
            >
              <View className="min-w-0 flex-1">
                <Words face="strong">{label}</Words>
                {at === undefined ? null : (
                  <Words size={13} tone="ink-soft">{`First: ${sheet.rows[0]?.[at] || 'empty'}`}</Words>
                )}
              </View>
              <Words size={15} tone={at === undefined ? 'ink-soft' : 'ink'}>
                {`${chosen} ${isOpen ? '▴' : '▾'}`}
              </Words>
            </Pressable>
            {isOpen ? (
              <View className="flex-row flex-wrap gap-2 pb-3">
                {sheet.heading.map((_, column) => (
                  <Choice
                    key={column}
                    label={nameOf(column)}
                    aria-label={`${label} is ${nameOf(column)}`}
                    on={at === column}
                    onPress={() => choose(id, column)}
                  />
                ))}
              </View>
            ) : null}
          </View>
        );
      })}
    </View>
  );
}

const SHOWN = 100;

function Report({ report: { taken, refused, isTaken, newModels, lines } }: { readonly report: FleetReport }) {
  const wrong = lines.filter((line) => !line.taken);
  return (
    <View className="gap-1" role="status">
      <Words face="strong" tone={refused > 0 ? 'held' : 'ink'}>
        {isTaken
          ? `${taken} units are on the yard, none looked at yet.`
          : refused > 0
            ? `${refused} of ${taken + refused} lines can not be taken as they are. Nothing was taken.`
            : `${taken} units would be taken. Nothing is taken yet.`}
      </Words>
      {newModels.length > 0 ? (
        <Words size={15}>{`${isTaken ? 'New models' : 'Models that would be new'}: ${newModels.join(', ')}.`}</Words>
      ) : null}
      {wrong.slice(0, SHOWN).map(({ line, what, why }) => (
        <Words key={line} size={15} tone="held">{`Line ${line}: ${what}: ${why ?? ''}`}</Words>
      ))}
    </View>
  );
}
