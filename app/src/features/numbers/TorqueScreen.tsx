import type { SheetTorque } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson } from '@/api';
import { Button, Choice, Page, Section, Whence, Words } from '@/design';
import { useUnitSheet } from '@/features/sheet';
import { BoltPad } from './BoltPad';
import { BoltPattern } from './BoltPattern';
import { ForUnit } from './ForUnit';
import { Answer, Bolts, Figures, OfSheet } from './TorqueParts';
import {
  firstTexts,
  hasBoth,
  MOST_BOLTS,
  orderOf,
  placesOf,
  reckon,
  ROUND_WORD,
  startShape,
  turned,
  unitIn,
  UNITS,
  type Pattern,
  type Texts,
  type TorqueUnit,
} from './torqueSums';

interface Props {
  readonly tag?: string | null;
  /** Which torque of the unit's sheet. */
  readonly torqueAt?: number | null;
}

/** Tightening a head: settings of the wrench round by round, and the order of the bolts, ticked as they are done. */
export function TorqueScreen({ tag = null, torqueAt = null }: Props) {
  const sheet = useUnitSheet(tag);
  return <Tighten key={sheet?.tag ?? ''} tag={tag} sheet={sheet} first={torqueAt} />;
}

interface TightenProps {
  readonly tag: string | null;
  readonly sheet: ReturnType<typeof useUnitSheet>;
  readonly first: number | null;
}

function Tighten({ tag, sheet, first }: TightenProps) {
  const { preferences } = usePerson();
  const torques = sheet?.dataSheet.torques ?? [];
  const [chosen, setChosen] = useState<SheetTorque | undefined>(first === null ? undefined : torques[first]);
  const [unit, setUnit] = useState<TorqueUnit>(
    unitIn(chosen?.unit) ?? (preferences.units === 'metric' ? 'N·m' : 'lbf·ft'),
  );
  const [texts, setTexts] = useState<Texts>(() => firstTexts(chosen, unit));
  const [dragWith, setDragWith] = useState<boolean | null>(null);
  const [pattern, setPattern] = useState<Pattern>({ shape: startShape(chosen), count: 4, own: [] });
  const [done, setDone] = useState(0);
  const places = placesOf(pattern, chosen);
  const ofSheet = pattern.shape === 'sheet' ? chosen : undefined;
  const order = orderOf(ofSheet, places);
  const { rounds, problem } = reckon(texts, dragWith);
  const count = places.length;
  const round = Math.min(Math.floor(done / Math.max(count, 1)), ROUND_WORD.length - 1);
  const finished = count > 0 && done >= count * ROUND_WORD.length;
  const turn = (next: TorqueUnit) => {
    setUnit(next);
    setTexts((before) => ({
      ...before,
      wanted: turned(before.wanted, unit, next),
      drag: turned(before.drag, unit, next),
    }));
  };
  const draw = (change: Partial<Pattern>) => {
    setPattern((before) => ({ ...before, ...change }));
    setDone(0);
  };
  const take = (torque: SheetTorque) => {
    setChosen(torque);
    setUnit(unitIn(torque.unit) ?? unit);
    setTexts((before) => ({ ...before, wanted: String(torque.value), drag: '0' }));
    draw({ shape: startShape(torque) });
  };
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        Tightening, round by round
      </Words>
      <Answer rounds={rounds} problem={problem} round={round} finished={finished} unit={unit} />
      {chosen ? <OfSheet torque={chosen} /> : null}
      {pattern.shape === 'own' ? (
        <BoltPad places={pattern.own} onChange={(own) => draw({ own: own.slice(0, MOST_BOLTS) })} />
      ) : null}
      {count > 0 ? (
        <BoltPattern
          places={places}
          order={order}
          long={ofSheet?.long ?? []}
          done={finished ? count : done - round * count}
        />
      ) : null}
      <View className="flex-row gap-2">
        <Button
          kind="main"
          tall
          className="grow"
          label="This one is done"
          offBecause={sayOff(finished, rounds === null ? problem : null, count)}
          onPress={() => setDone(done + 1)}
        />
        <Button
          tall
          label="Back"
          aria-label="Undo the last one"
          disabled={done === 0}
          onPress={() => setDone(done - 1)}
        />
      </View>
      {torques.length > 0 ? (
        <Section title="Of its data sheet">
          <View className="flex-row flex-wrap gap-2">
            {torques.map((torque) => (
              <Choice
                key={torque.what}
                className="grow"
                label={torque.what}
                on={chosen === torque}
                onPress={() => take(torque)}
              />
            ))}
          </View>
        </Section>
      ) : null}
      <Bolts pattern={pattern} hasSheet={chosen !== undefined && startShape(chosen) === 'sheet'} onChange={draw} />
      <Section title="Torque">
        <View className="flex-row gap-2">
          {UNITS.map((entry) => (
            <Choice key={entry} className="flex-1" label={entry} on={unit === entry} onPress={() => turn(entry)} />
          ))}
        </View>
        <Figures unit={unit} texts={texts} onChange={(change) => setTexts((before) => ({ ...before, ...change }))} />
        {hasBoth(texts) ? (
          <View className="flex-row flex-wrap gap-2" role="group" aria-label="How the drag was read">
            <Choice
              className="grow"
              label="Drag read with the extension on"
              on={dragWith === true}
              onPress={() => setDragWith(true)}
            />
            <Choice
              className="grow"
              label="Drag read without it"
              on={dragWith === false}
              onPress={() => setDragWith(false)}
            />
          </View>
        ) : null}
      </Section>
      <ForUnit tag={tag} sheet={sheet} />
      <Words size={15}>
        Setting = (share × wanted + drag) × arm ÷ (arm + extension), arm and extension in one unit; drag that was read
        with the extension on is added as it was read. 40 wanted with 8 drag ends at 48. The model’s own pattern and
        figure come first; clean threads; dry and oiled are not the same.
      </Words>
      <Whence
        short="Source: common practice"
        words="Common practice; no document. The cross-pattern of a ring is that of ASME PCC-1, from memory."
      />
    </Page>
  );
}

/** Why no bolt can be called done; null: it can. */
function sayOff(finished: boolean, problem: string | null, count: number): string | null {
  if (finished) return 'All of them are done.';
  if (count === 0) return 'Set the places of the bolts first.';
  return problem === null ? null : 'Settle the torque first.';
}
