import { CLASS_IDS, CLASS_TAGS, classOf, type ClassId } from '@hudrik/core/catalogue';
import { router } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useRead } from '@/api';
import { Button, Choice, Empty, Failure, Loading, Page, Section, Words } from '@/design';
import { AddModel, AddUnit } from './AddUnitForms';

/** A unit new to the yard: its class, its model (or a new one), its tag and where its meter stands. */
export function AddUnitScreen() {
  const models = useRead('models');
  const [classId, setClassId] = useState<ClassId>(CLASS_IDS[0]);
  const [modelId, setModelId] = useState<number | null>(null);
  if (!models.data)
    return models.isError ? (
      <Failure sentence="The models cannot be fetched just now." retry={() => void models.refetch()} />
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
        <AddModel classId={classId} others={ofClass} onAdded={setModelId} />
      </Section>
      {modelId === null ? null : <AddUnit letters={classOf(classId).letters} modelId={modelId} />}
    </Page>
  );
}
