import { TEARDOWNS, type System, type TeardownId } from '@hudrik/core/catalogue';
import type { Thing } from '@hudrik/core/teardown';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Choice, Field, Sheet, Words } from '@/design';
import { sayTurns } from './say';

type Written = Pick<Thing, 'what' | 'fasteners' | 'orientation' | 'linkHole' | 'stack' | 'quarterTurns' | 'system'>;

interface Props {
  readonly title: string;
  readonly thing?: Thing;
  /** Nothing says what it belongs to: the person does. */
  readonly asksSystem?: boolean;
  readonly onKeep: (written: Written) => void;
  readonly onClose: () => void;
}

export const SYSTEM_WORDS: readonly (readonly [System, string])[] = [
  ['fuel', 'Fuel'],
  ['oil', 'Oil'],
  ['guard', 'Guard or cover'],
  ['electric', 'Electric'],
  ['none', 'None of these'],
];

/** "2 × M6 × 20, studs": count, size and where it goes, a line each. */
const toFasteners = (text: string): Written['fasteners'] =>
  text.split('\n').flatMap((line) => {
    const [, count, size, place] = /^\s*(\d{1,2})\s*[x×*]?\s*([^,]*?)(?:,\s*(.*))?$/.exec(line) ?? [];
    return count && Number(count) > 0
      ? [{ count: Number(count), size: size?.trim() ?? '', place: place?.trim() ?? '' }]
      : [];
  });
const fromFasteners = (fasteners: Written['fasteners']): string =>
  fasteners.map((entry) => `${entry.count} × ${entry.size}${entry.place ? `, ${entry.place}` : ''}`).join('\n');

/** How a thing sat: written down before it is forgotten. */
export function ThingSheet({ title, thing, asksSystem = false, onKeep, onClose }: Props) {
  const [what, setWhat] = useState(thing?.what ?? '');
  const [fasteners, setFasteners] = useState(fromFasteners(thing?.fasteners ?? []));
  const [orientation, setOrientation] = useState(thing?.orientation ?? '');
  const [linkHole, setLinkHole] = useState(thing?.linkHole ?? '');
  const [stack, setStack] = useState((thing?.stack ?? []).join('\n'));
  const [turns, setTurns] = useState<number | null>(thing?.quarterTurns ?? null);
  const [system, setSystem] = useState<System | undefined>(thing?.system);
  const unread = fasteners.split('\n').filter((line) => line.trim() !== '' && toFasteners(line).length === 0);
  const missing = whatIsMissing({ what, hasUnread: unread.length > 0, asksSystem, system });
  const keep = () =>
    onKeep({
      what: what.trim(),
      fasteners: toFasteners(fasteners),
      orientation: orientation.trim(),
      linkHole: linkHole.trim(),
      stack: stack
        .split('\n')
        .map((line) => line.trim())
        .filter(Boolean),
      quarterTurns: turns,
      ...(system === undefined ? {} : { system }),
    });
  return (
    <Sheet title={title} open onClose={onClose}>
      <Field label="What it is" value={what} onChangeText={setWhat} />
      {asksSystem ? (
        <View className="flex-row flex-wrap gap-2" role="group" aria-label="What it belongs to">
          {SYSTEM_WORDS.map(([id, words]) => (
            <Choice key={id} className="grow" label={words} on={system === id} onPress={() => setSystem(id)} />
          ))}
        </View>
      ) : null}
      <Field
        label="Fasteners, a line each: 2 × M6 × 20, upper studs"
        value={fasteners}
        onChangeText={setFasteners}
        multiline
        wrong={unread.length > 0 ? `Begin with how many: “${unread[0]}”` : undefined}
      />
      <Field label="Which way round" value={orientation} onChangeText={setOrientation} />
      <Field label="Link in hole" value={linkHole} onChangeText={setLinkHole} />
      <Field label="Stack, from the engine outwards, a line each" value={stack} onChangeText={setStack} multiline />
      <Turns turns={turns} onChange={setTurns} />
      <Button kind="main" tall label="Save" offBecause={missing} onPress={keep} />
    </Sheet>
  );
}

interface Missing {
  readonly what: string;
  readonly hasUnread: boolean;
  readonly asksSystem: boolean;
  readonly system: System | undefined;
}

/** Why it cannot be saved yet. */
function whatIsMissing({ what, hasUnread, asksSystem, system }: Missing): string | null {
  if (what.trim() === '') return 'Write what it is.';
  if (asksSystem && system === undefined) return 'Say what it belongs to: the proof asks after that.';
  return hasUnread ? 'A line of fasteners is not understood.' : null;
}

function Turns({ turns, onChange }: { readonly turns: number | null; readonly onChange: (turns: number) => void }) {
  return (
    <View className="gap-2">
      <Words size={15} face="strong">
        Turns from lightly seated
      </Words>
      <View className="flex-row items-center gap-2">
        <Button
          label="− ¼"
          aria-label="A quarter turn less"
          disabled={turns === null || turns === 0}
          onPress={() => onChange((turns ?? 0) - 1)}
        />
        <Words face="figures" size={22} className="flex-1 text-center">
          {turns === null ? 'not counted' : sayTurns(turns)}
        </Words>
        <Button label="+ ¼" aria-label="A quarter turn more" onPress={() => onChange((turns ?? 0) + 1)} />
        <Button label="+ 1" aria-label="A whole turn more" onPress={() => onChange((turns ?? 0) + 4)} />
      </View>
    </View>
  );
}

interface UsualProps {
  readonly ids: readonly TeardownId[];
  readonly known: readonly string[];
  readonly learnt: Readonly<Record<string, unknown>>;
  readonly onPick: (id: TeardownId) => void;
  readonly onClose: () => void;
}

/** A usual job of taking apart: its things are then offered in their order. */
export function UsualSheet({ ids, known, learnt, onPick, onClose }: UsualProps) {
  return (
    <Sheet title="A known teardown" open onClose={onClose}>
      {ids.map((id) => (
        <View key={id} className="gap-1">
          <Choice label={TEARDOWNS[id].name} on={known.includes(id)} onPress={() => onPick(id)} />
          <Words size={13} tone="ink-soft">
            {id in learnt ? 'In the order of this model’s last finished card. ' : ''}
            {TEARDOWNS[id].note}
          </Words>
        </View>
      ))}
    </Sheet>
  );
}
