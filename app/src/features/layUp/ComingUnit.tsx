import { besidesOf, LAY_UP_BESIDES, LAY_UP_METHODS, workOfLayUp } from '@hudrik/core/catalogue';
import { Link, router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, usePerson, useSigns } from '@/api';
import { Button, Card, Failure, ReadinessMark, Words } from '@/design';
import { sayDose } from '@/features/fuel';
import { useEntry } from '@/outbox';
import { ChooseSheet } from './ChooseSheet';
import { LaidUpSheet } from './LaidUpSheet';
import { chosenOf, methodName, sayCost, sayForecast, sayMargin, sayRisk, type LayUpUnit } from './sayLayUp';

interface Props {
  readonly unit: LayUpUnit;
  readonly isOpen: boolean;
  /** By its label, to a litre. */
  readonly stabiliserMl: number;
}

/** One unit that comes into lay-up: how long, which way, why, its steps and doses; and what is done about it. */
export function ComingUnit({ unit, isOpen, stabiliserMl }: Props) {
  const [open, setOpen] = useState(isOpen);
  const [choosing, setChoosing] = useState(false);
  const { role } = usePerson();
  const cost = chosenOf(unit);
  if (cost === undefined) return null;
  return (
    <Card className="gap-2">
      <View className="flex-row items-center gap-3">
        <ReadinessMark of={unit.readiness} size={20} />
        <Link href={`/u/${unit.tag}`} className="font-stencil text-22 text-ink underline">
          {unit.tag}
        </Link>
        <Words face="figures" size={22} className="ml-auto">
          {sayCost(cost.cents)}
        </Words>
      </View>
      <Words face="strong">{methodName(cost.method)}</Words>
      <Words size={15}>{sayForecast(unit)}</Words>
      {open ? <Steps unit={unit} stabiliserMl={stabiliserMl} /> : null}
      {open ? (
        <Words size={15} tone="ink-soft">
          {`${Math.round(cost.minutes)} min in all, a fuel repair ${sayRisk(cost.risk)}. ${sayMargin(unit)}`}
        </Words>
      ) : null}
      <Actions unit={unit} />
      <View className="flex-row flex-wrap gap-2">
        <Button kind="quiet" label={open ? 'Less' : 'Steps and why'} onPress={() => setOpen(!open)} />
        {role === 'lead' ? <Button kind="quiet" label="Another way" onPress={() => setChoosing(true)} /> : null}
      </View>
      {choosing ? <ChooseSheet unit={unit} onClose={() => setChoosing(false)} /> : null}
    </Card>
  );
}

function Steps({ unit, stabiliserMl }: Omit<Props, 'isOpen'>) {
  const { preferences } = usePerson();
  const cost = chosenOf(unit);
  if (cost === undefined) return null;
  const method = LAY_UP_METHODS[cost.method];
  const steps = [...method.steps, ...besidesOf(unit.classId, method).map((id) => LAY_UP_BESIDES[id])];
  return (
    <View className="gap-1 border-l-[6px] border-line pl-3">
      {cost.litres > 0 ? (
        <Words face="strong">{`${sayDose(cost.litres, preferences.units)} of ${method.leaves?.fuel === 'alkylate' ? 'alkylate' : 'ethanol-free'}`}</Words>
      ) : null}
      {cost.litres > 0 && method.takesStabiliser ? (
        <Words face="strong">{`${sayDose((cost.litres * stabiliserMl) / 1000, preferences.units)} of stabiliser by its label`}</Words>
      ) : null}
      {steps.length === 0 ? <Words size={15}>Nothing is done to it.</Words> : null}
      {steps.map((step, at) => (
        <Words key={step} size={15}>{`${at + 1}. ${step}`}</Words>
      ))}
    </View>
  );
}

/** Its job is raised; once it is done the unit is laid up. */
function Actions({ unit }: { readonly unit: LayUpUnit }) {
  const signs = useSigns();
  const raise = useEntry('job-raised');
  const [laying, setLaying] = useState(false);
  const cost = chosenOf(unit);
  if (!signs || cost === undefined) return null;
  const { tag, classId } = unit;
  const minutes = Math.max(Math.round(LAY_UP_METHODS[cost.method].minutes), 1);
  return (
    <>
      {raise.error ? <Failure sentence={sentenceOf(raise.error)} /> : null}
      <View className="flex-row flex-wrap gap-2">
        {unit.hasJob ? (
          <Button className="grow" label="To its work" onPress={() => router.navigate(`/u/${tag}`)} />
        ) : cost.method === 'as-it-is' ? null : (
          <Button
            className="grow"
            label="Raise its job"
            aria-label={`Raise the lay-up of ${tag}`}
            disabled={raise.isPending}
            onPress={() =>
              raise.mutate({
                facts: {
                  kind: 'lay-up',
                  work: workOfLayUp(cost.method, classId),
                  title: `Lay up: ${methodName(cost.method).toLowerCase()}`,
                  minutes,
                  blocks: 'none',
                },
                on: { tag },
              })
            }
          />
        )}
        {unit.hasJob ? null : (
          <Button
            className="grow"
            label="It is laid up"
            aria-label={`${tag} is laid up`}
            onPress={() => setLaying(true)}
          />
        )}
      </View>
      {laying ? (
        <LaidUpSheet tag={tag} classId={classId} method={cost.method} onClose={() => setLaying(false)} />
      ) : null}
    </>
  );
}
