import { LAY_UP_METHODS, methodsFor, type ClassId, type LayUpMethodId } from '@hudrik/core/catalogue';
import type { FuelStore, UnitFuel } from '@hudrik/core/contracts';
import { mayStayIn, pouredAtLayUp } from '@hudrik/core/fuel';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useRead } from '@/api';
import { Button, Caution, Choice, Failure, Field, Sheet, Words } from '@/design';
import { fuelName, sayFuelState, sayLevel } from '@/features/fuel';
import { sayFigure } from '@/writing';
import { useEntry } from '@/outbox';
import { methodName } from './sayLayUp';

interface Props {
  readonly tag: string;
  readonly classId: ClassId;
  /** The way that it is laid up; null: it is asked. */
  readonly method: LayUpMethodId | null;
  readonly onClose: () => void;
}

/** Where what was in the tank went: into a can, for disposal, or nowhere. */
type Old = { readonly canId: string | null } | 'stays';
/** Where what is left in came from: a can, or none of the yard's. */
interface Fresh {
  readonly canId: string | null;
}

/** What was done with a unit that stands from now on: which way, where its fuel went, and where what is left in came from. */
export function LaidUpSheet({ tag, classId, method: given, onClose }: Props) {
  const lay = useEntry('laid-up');
  const { data: tank, isPending: isTankAsked } = useRead('unitFuel', { params: { tag } });
  const store = useRead('fuelStore').data;
  const [method, setMethod] = useState(given);
  const [old, setOld] = useState<Old | null>(null);
  const [fresh, setFresh] = useState<Fresh | null>(null);
  const [note, setNote] = useState('');
  const asks = method === null || tank === undefined ? NOTHING : asksOf(method, tank, old);
  const missing =
    method === null
      ? 'Say how it was laid up.'
      : isTankAsked
        ? 'What is in its tank is looked up.'
        : asks.old && old === null
          ? 'Say where its old fuel went.'
          : asks.litres > 0 && fresh === null
            ? 'Say which can the fuel came out of.'
            : null;
  const send = () =>
    method !== null &&
    lay.mutate(
      {
        facts: {
          method,
          ...(old === null ? {} : old === 'stays' ? { staysIn: true } : { drainedInto: old.canId }),
          ...(fresh === null || asks.litres === 0 ? {} : { pouredFrom: fresh.canId }),
          note: note.trim(),
        },
        on: { tag },
      },
      { onSuccess: onClose },
    );
  return (
    <Sheet title={`${tag} is laid up`} open onClose={onClose}>
      {lay.isError ? <Failure sentence={sentenceOf(lay.error)} kept="What you chose is still here." /> : null}
      {given === null ? (
        <Ways
          classId={classId}
          method={method}
          onPick={(next) => {
            // What was said of the fuel was said of another way.
            setOld(null);
            setFresh(null);
            setMethod(next);
          }}
        />
      ) : (
        <Words face="strong">{methodName(given)}</Words>
      )}
      {tank === undefined ? null : (
        <Words size={15}>{`In its tank ${sayLevel(tank.level)}. ${sayFuelState(tank)}`}</Words>
      )}
      {asks.old || asks.litres > 0 ? (
        <Caution text="Fuel vapour catches fire: outside, no flame. Old fuel goes by local waste rules, never into the ground." />
      ) : null}
      {asks.old ? <OldFuel store={store} tank={tank} mayStay={asks.mayStay} old={old} onPick={setOld} /> : null}
      {asks.litres > 0 && method !== null ? (
        <FreshFuel store={store} method={method} litres={asks.litres} fresh={fresh} onPick={setFresh} />
      ) : null}
      <Field label="Note" value={note} onChangeText={setNote} />
      <Button kind="main" tall label="Write it down" disabled={lay.isPending} offBecause={missing} onPress={send} />
    </Sheet>
  );
}

interface Asks {
  /** Where the old fuel went. */
  readonly old: boolean;
  /** It is good, and the way leaves fuel in: it need not be drained. */
  readonly mayStay: boolean;
  /** So much is poured in; 0: nothing. */
  readonly litres: number;
}
const NOTHING: Asks = { old: false, mayStay: false, litres: 0 };

function asksOf(method: LayUpMethodId, { state, tank }: UnitFuel, old: Old | null): Asks {
  if (LAY_UP_METHODS[method].steps.length === 0) return NOTHING;
  const there = state?.litres ?? 0;
  return {
    old: there > 0,
    mayStay: mayStayIn(method) && state !== null && !state.isStale,
    litres: pouredAtLayUp(method, old === 'stays' ? there : 0, tank.litres),
  };
}

function Ways({
  classId,
  method,
  onPick,
}: {
  readonly classId: ClassId;
  readonly method: LayUpMethodId | null;
  readonly onPick: (method: LayUpMethodId) => void;
}) {
  return (
    <View className="flex-row flex-wrap gap-2" role="group" aria-label="How it was laid up">
      {methodsFor(classId).map((id) => (
        <Choice key={id} className="grow" label={methodName(id)} on={method === id} onPress={() => onPick(id)} />
      ))}
    </View>
  );
}

interface OldProps {
  readonly store: FuelStore | undefined;
  readonly tank: UnitFuel | undefined;
  readonly mayStay: boolean;
  readonly old: Old | null;
  readonly onPick: (old: Old) => void;
}

function OldFuel({ store, tank, mayStay, old, onPick }: OldProps) {
  const into = (canId: string | null) => old !== null && old !== 'stays' && old.canId === canId;
  return (
    <View className="gap-2" role="group" aria-label="Where its old fuel went">
      <Words face="strong">{`What was in it: ${sayFigure(tank?.state?.litres ?? 0)} l`}</Words>
      {mayStay ? <Choice label="It is good: it stays in" on={old === 'stays'} onPress={() => onPick('stays')} /> : null}
      {(store?.cans ?? []).map(({ id, name, fuel, litres }) => (
        <Choice
          key={id}
          label={`Into ${name}: ${litres > 0 ? `${fuelName(fuel)}, ${sayFigure(litres)} l` : 'empty'}`}
          on={into(id)}
          onPress={() => onPick({ canId: id })}
        />
      ))}
      <Choice label="For disposal" on={into(null)} onPress={() => onPick({ canId: null })} />
    </View>
  );
}

interface FreshProps {
  readonly store: FuelStore | undefined;
  readonly method: LayUpMethodId;
  readonly litres: number;
  readonly fresh: Fresh | null;
  readonly onPick: (fresh: Fresh) => void;
}

/** The cans with what the way wants come first; none is left out: what was poured in was poured in. */
function FreshFuel({ store, method, litres, fresh, onPick }: FreshProps) {
  const wanted = LAY_UP_METHODS[method].leaves?.fuel ?? 'e0';
  const cans = [...(store?.cans ?? [])]
    .filter((can) => can.litres > 0)
    .sort((a, b) => Number(b.fuel === wanted) - Number(a.fuel === wanted) || b.litres - a.litres);
  return (
    <View className="gap-2" role="group" aria-label="Which can the fuel came out of">
      <Words face="strong">{`${sayFigure(litres)} l of ${fuelName(wanted).toLowerCase()} in, out of`}</Words>
      {cans.map(({ id, name, fuel, litres: left }) => (
        <Choice
          key={id}
          label={`${name}: ${fuelName(fuel)}, ${sayFigure(left)} l${left < litres ? ', not enough' : ''}`}
          on={fresh?.canId === id}
          onPress={() => onPick({ canId: id })}
        />
      ))}
      <Choice
        label="No can of the yard’s"
        on={fresh !== null && fresh.canId === null}
        onPress={() => onPick({ canId: null })}
      />
    </View>
  );
}
