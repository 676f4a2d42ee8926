import type { Settings } from '@hudrik/core/contracts';
import { name } from '@hudrik/core/fields';
import { useState } from 'react';
import { object, string } from 'yup';
import { sentenceOf, useRead } from '@/api';
import { Button, Failure, Loading, Section, Words } from '@/design';
import { useServerNow } from '@/features/clocks';
import { FormField, useSchemaForm } from '@/forms';
import { sayDay, sayMoney } from '@/writing';
import { OwnFuel } from './OwnFuel';
import { OwnPrices } from './OwnPrices';
import { OwnYard } from './OwnYard';
import { OwnYear } from './OwnYear';
import { ZoneSheet } from './ZoneSheet';
import { useChange } from '@/outbox';

const form = object({
  yard: name.required('Enter the name of the yard.'),
  currency: string()
    .trim()
    .uppercase()
    .matches(/^[A-Z]{3}$/, 'Enter three letters, e.g. USD.')
    .required('Enter three letters, e.g. USD.'),
  locale: string()
    .trim()
    .matches(/^[a-z]{2,3}(-[A-Za-z0-9]{2,8}){0,3}$/, 'Enter language and region, e.g. en-US.')
    .required('Enter language and region, e.g. en-US.'),
  timeZone: string().trim().required('Enter a time zone, e.g. America/Denver.'),
});

/** How this yard writes money, figures and times: for all of its people, and on paper. */
export function YardSettings() {
  const settings = useRead('settings');
  if (!settings.data)
    return settings.isError ? (
      <Failure sentence={sentenceOf(settings.error)} retry={() => void settings.refetch()} />
    ) : (
      <Loading what="the settings of the yard" />
    );
  return (
    <>
      <Form key={JSON.stringify(settings.data)} settings={settings.data} />
      <OwnYard settings={settings.data} />
      <OwnYear key={JSON.stringify(settings.data.coldestStarts)} settings={settings.data} />
      <OwnFuel key={`${settings.data.stabiliserMl} ${settings.data.stabiliserCents}`} settings={settings.data} />
      <OwnPrices key={JSON.stringify(settings.data.kitPrices)} settings={settings.data} />
    </>
  );
}

function Form({ settings }: { readonly settings: Settings }) {
  const change = useChange('changeSettings');
  const { control, handleSubmit } = useSchemaForm(form, settings);
  const [zone, setZone] = useState<string | null>(null);
  const save = handleSubmit((body) => {
    setZone(null);
    return change.mutateAsync({ body });
  });
  // Another clock shifts more than one sees: that is said first.
  const send = handleSubmit((body) =>
    body.timeZone === settings.timeZone ? change.mutateAsync({ body }) : setZone(body.timeZone),
  );
  const now = new Date(useServerNow());
  return (
    <Section title="The yard">
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <FormField control={control} name="yard" label="Name" />
      <FormField control={control} name="currency" label="Currency" autoCapitalize="characters" />
      <FormField control={control} name="locale" label="Language and region" autoCapitalize="none" />
      <FormField control={control} name="timeZone" label="Time zone" autoCapitalize="none" />
      <Words size={15} tone="ink-soft">{`As it is now: ${sayMoney(123_450)}, ${sayDay(now.toISOString())}.`}</Words>
      <Button
        kind="main"
        label="Save for the whole yard"
        disabled={change.isPending}
        onPress={() => void send().catch(() => undefined)}
      />
      {zone === null ? null : (
        <ZoneSheet to={zone} onSave={() => void save().catch(() => undefined)} onClose={() => setZone(null)} />
      )}
    </Section>
  );
}
