import { CLASS_IDS, CLASS_TAGS, classOf, type ClassId } from '@hudrik/core/catalogue';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf, useChange, useRead } from '@/api';
import { Button, Choice, Empty, Failure, Field, Loading, Page, Section, Words } from '@/design';

/** A unit new to the yard: its class, its model (or a new one), its tag and where its meter stands. */
export function AddUnitScreen() {
  const models = useRead('models');
  const [classId, setClassId] = useState<ClassId>(CLASS_IDS[0]);
  const [modelId, setModelId] = useState<number | null>(null);
  if (!models.data)
    return models.isError ? (
      <Failure sentence="The models can not be fetched just now." retry={() => void models.refetch()} />
    ) : (
      <Loading what="the models" />
    );
  const ofClass = models.data.models.filter((model) => model.classId === classId);
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        A unit new to the yard
      </Words>
      <View className="flex-row flex-wrap gap-2">
        {CLASS_IDS.map((id) => (
          <Choice
            key={id}
            className="grow"
            label={CLASS_TAGS[id].name}
            on={classId === id}
            onPress={() => {
              setClassId(id);
              setModelId(null);
            }}
          />
        ))}
      </View>
      <Section title="Its model" count={ofClass.length}>
        {ofClass.length === 0 ? (
          <Empty sentence={`No model of a ${classOf(classId).name.toLowerCase()} yet. Add one below.`} />
        ) : null}
        {ofClass.map((model) => (
          <View key={model.id} className="flex-row gap-2">
            <Choice
              className="min-w-0 flex-1"
              label={`${model.make} ${model.name}`}
              on={modelId === model.id}
              onPress={() => setModelId(model.id)}
            />
            <Button
              label="Data sheet"
              aria-label={`Data sheet of ${model.make} ${model.name}`}
              onPress={() => router.navigate(`/models/${model.id}`)}
            />
          </View>
        ))}
        <AddModel classId={classId} onAdded={setModelId} />
      </Section>
      {modelId === null ? null : <AddUnit letters={classOf(classId).letters} modelId={modelId} />}
    </Page>
  );
}

function AddModel({ classId, onAdded }: { readonly classId: ClassId; readonly onAdded: (id: number) => void }) {
  const add = useChange('addModel');
  const [open, setOpen] = useState(false);
  const [make, setMake] = useState('');
  const [name, setName] = useState('');
  const send = async () => {
    const model = await add.mutateAsync({ body: { classId, make, name } });
    onAdded(model.id);
    setOpen(false);
    setName('');
  };
  if (!open) return <Button kind="quiet" label="Another model" onPress={() => setOpen(true)} />;
  return (
    <View className="gap-3 border border-dashed border-line p-3">
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." /> : null}
      <Field label="Make" value={make} onChangeText={setMake} />
      <Field label="Model" value={name} onChangeText={setName} />
      <Button
        label="Add the model"
        disabled={make.trim() === '' || name.trim() === '' || add.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </View>
  );
}

function AddUnit({ letters, modelId }: { readonly letters: string; readonly modelId: number }) {
  const add = useChange('addUnit');
  const [form, setForm] = useState({ figures: '', serial: '', homeBay: '', hours: '0' });
  const set = (name: keyof typeof form) => (text: string) => setForm((before) => ({ ...before, [name]: text }));
  const wrong = {
    figures: form.figures !== '' && !/^\d{2,4}$/.test(form.figures) ? 'Two to four figures.' : undefined,
    hours: /^\d{1,5}(\.\d)?$/.test(form.hours) ? undefined : 'Figures, with at most one after the point.',
  };
  const ready =
    form.figures !== '' && form.serial.trim() !== '' && form.homeBay.trim() !== '' && !wrong.figures && !wrong.hours;
  const send = async () => {
    const tag = `${letters}-${form.figures}`;
    await add.mutateAsync({
      body: {
        tag,
        modelId,
        serial: form.serial,
        homeBay: form.homeBay,
        meterReading: Number(form.hours),
        meterOffset: 0,
      },
    });
    router.replace(`/u/${tag}`);
  };
  return (
    <Section title="The unit">
      {add.isError ? <Failure sentence={sentenceOf(add.error)} kept="What you wrote is still here." /> : null}
      <Field
        label={`Figures of its tag: ${letters}-`}
        value={form.figures}
        onChangeText={set('figures')}
        inputMode="numeric"
        wrong={wrong.figures}
      />
      <Field label="Serial" value={form.serial} onChangeText={set('serial')} />
      <Field label="Where it stands" value={form.homeBay} onChangeText={set('homeBay')} />
      <Field
        label="Hours on the meter"
        value={form.hours}
        onChangeText={set('hours')}
        inputMode="decimal"
        wrong={wrong.hours}
      />
      <Button
        kind="main"
        tall
        label="Put it on the yard"
        disabled={!ready || add.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
    </Section>
  );
}
