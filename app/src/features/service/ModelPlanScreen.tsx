import { SERVICE_PLANS, type ServiceItem } from '@hudrik/core/catalogue';
import type { ModelPlan } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { factsIn, Refused, sentenceOf, usePerson, useRead } from '@/api';
import { Button, Card, Choice, Failure, Field, Loading, Page, Section, Words } from '@/design';
import type { OwnPlan } from '@hudrik/core/service';
import { keysOf } from '@hudrik/core/typed';
import { Severity } from './Severity';
import { FIELDS, planOfTyped, typedOf, wrongField, type TypedItem } from './planDraft';
import { sayEvery } from './sayService';
import { useChange } from '@/outbox';

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;
const WRONG: Readonly<Record<string, string>> = {
  'unknown-item': 'is none of its class',
  twice: 'stands twice',
  'no-interval': 'needs hours or months',
  'not-positive': 'needs figures above 0',
  loop: 'includes itself by way of others',
};

/** What a model is serviced by, where its manual says something else than its class. Each change is a version; what was done keeps its own. */
export function ModelPlanScreen({ id }: { readonly id: string }) {
  const read = useRead('modelPlan', { params: { id } });
  if (!read.data)
    return read.isError ? (
      <Failure sentence={sentenceOf(read.error)} retry={() => void read.refetch()} />
    ) : (
      <Loading what="the service plan" />
    );
  return <PlanForm key={read.data.version} reply={read.data} />;
}

function PlanForm({ reply }: { readonly reply: ModelPlan }) {
  const { model, own, version } = reply;
  const isLead = usePerson().role === 'lead';
  const change = useChange('changePlan');
  const [severity, setSeverity] = useState(own.severity);
  const [month, setMonth] = useState(own.anchorMonth);
  const usual = SERVICE_PLANS[model.classId].items;
  const [typed, setTyped] = useState<Readonly<Record<string, TypedItem>>>(() =>
    Object.fromEntries(usual.map(({ id }) => [id, typedOf(own, id)])),
  );
  const plan = planOfTyped(reply, typed, severity, month);
  const wrong = Object.values(typed).some((item) => wrongField(item) !== null);
  const isSame =
    JSON.stringify(plan) === JSON.stringify(planOfTyped(reply, initial(reply, usual), own.severity, own.anchorMonth));
  const save = () =>
    change.mutate({ params: { id: String(model.id) }, body: { plan: sentOf(plan), seenVersion: version } });
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {`Service of ${model.make} ${model.name}`}
      </Words>
      <Words>
        {own.items.length === 0 && own.severity === 1
          ? 'As its class has it. What you enter here comes before that.'
          : `Version ${version}. What is empty is as its class has it; a dash takes an interval away.`}
      </Words>
      <Section title="How hard it works">
        <Severity value={severity} onChange={setSeverity} />
        <Words size={15} tone="ink-soft">
          {severity === 1
            ? 'Hours as they stand.'
            : `Every interval of hours is ${Math.round(severity * 100)} in 100 of what stands here.`}
        </Words>
      </Section>
      <Section title="Its season">
        <Words size={15}>What is done once a year falls due at the beginning of:</Words>
        <View className="flex-row flex-wrap gap-2" role="group" aria-label="Its season">
          <Choice label="None" on={month === null} onPress={() => setMonth(null)} />
          {MONTHS.map((name, at) => (
            <Choice key={name} label={name} on={month === at + 1} onPress={() => setMonth(at + 1)} />
          ))}
        </View>
      </Section>
      {usual.map((item) => (
        <ItemForm
          key={item.id}
          item={item}
          typed={typed[item.id] ?? typedOf(own, item.id)}
          onChange={(next) => setTyped({ ...typed, [item.id]: next })}
        />
      ))}
      {change.error ? (
        <Failure sentence={sayWrong(change.error, usual)} kept="What you entered is still here." />
      ) : null}
      {isLead ? (
        <Button
          kind="main"
          tall
          label={change.isPending ? 'Keeping…' : 'Keep as a new version'}
          offBecause={wrong ? 'A figure cannot be read.' : isSame ? 'Nothing is changed yet.' : null}
          disabled={change.isPending}
          onPress={save}
        />
      ) : (
        <Words size={15}>A lead may change it.</Words>
      )}
    </Page>
  );
}

/** As it is sent: what is sent is its own copy. */
const sentOf = ({ items, ...plan }: OwnPlan) => ({
  ...plan,
  items: items.map(({ includes, ...item }) => ({ ...item, ...(includes == null ? {} : { includes: [...includes] }) })),
});

const initial = ({ own }: ModelPlan, usual: readonly ServiceItem[]): Readonly<Record<string, TypedItem>> =>
  Object.fromEntries(usual.map(({ id }) => [id, typedOf(own, id)]));

function sayWrong(error: Error, usual: readonly ServiceItem[]): string {
  if (!(error instanceof Refused)) return sentenceOf(error);
  const { field, why = '' } = factsIn(error, 'not-valid') ?? {};
  const name = usual.find(({ id }) => id === field)?.name ?? field ?? '';
  const words = WRONG[why];
  return words === undefined ? sentenceOf(error) : `${name} ${words}.`;
}

interface ItemProps {
  readonly item: ServiceItem;
  readonly typed: TypedItem;
  readonly onChange: (typed: TypedItem) => void;
}

function ItemForm({ item, typed, onChange }: ItemProps) {
  const wrong = wrongField(typed);
  return (
    <Card className="gap-2">
      <Words face="strong">{item.name}</Words>
      <Words size={15} tone="ink-soft">{`${sayEvery(item)}; ${item.minutes} min`}</Words>
      {typed.isOff ? null : (
        <View className="flex-row flex-wrap gap-2">
          {keysOf(FIELDS).map((key) => (
            <View key={key} className="min-w-[140px] flex-1">
              <Field
                label={FIELDS[key]}
                aria-label={`${item.name}: ${FIELDS[key]}`}
                value={typed[key]}
                inputMode="decimal"
                onChangeText={(text) => onChange({ ...typed, [key]: text })}
                wrong={wrong === key ? 'A figure above 0, a dash for none, or nothing.' : undefined}
              />
            </View>
          ))}
          <View className="min-w-[140px] flex-1">
            <Field
              label="Kit (part number)"
              aria-label={`${item.name}: kit`}
              value={typed.kit}
              autoCapitalize="characters"
              onChangeText={(kit) => onChange({ ...typed, kit })}
            />
          </View>
        </View>
      )}
      <Choice
        className="self-start"
        label="This model has no such thing"
        on={typed.isOff}
        onPress={() => onChange({ ...typed, isOff: !typed.isOff })}
      />
    </Card>
  );
}
