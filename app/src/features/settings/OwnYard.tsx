import type { Settings, WeekStretch } from '@hudrik/core/contracts';
import { readFigure } from '@hudrik/core/figures';
import { useState } from 'react';
import { View } from 'react-native';
import { sentenceOf } from '@/api';
import { Button, Choice, Failure, Field, Section, Words } from '@/design';
import { WeekForm } from '@/features/hours';
import { yardOf } from './OwnPrices';
import { useChange } from '@/outbox';

const LOWEST = -430;
const HIGHEST = 5500;
const MOST_BAYS = 99;

/** Where the yard lies and how high, when it is open, what it measures in, how many bays it has. */
export function OwnYard({ settings }: { readonly settings: Settings }) {
  const change = useChange('changeSettings');
  const keep = (more: Omit<Partial<Settings>, 'coldestStarts' | 'openHours'> & { openHours?: WeekStretch[] | null }) =>
    change.mutate({ body: { ...yardOf(settings), ...more } });
  const [place, setPlace] = useState(settings.place ?? '');
  const [height, setHeight] = useState(settings.heightM == null ? '' : String(settings.heightM));
  const [bays, setBays] = useState(settings.bays == null ? '' : String(settings.bays));
  const heightM = height.trim() === '' ? null : readFigure(height);
  const isHeight = height.trim() === '' || (heightM !== null && heightM >= LOWEST && heightM <= HIGHEST);
  const many = bays.trim() === '' ? null : readFigure(bays);
  const isBays = bays.trim() === '' || (many !== null && Number.isInteger(many) && many >= 1 && many <= MOST_BAYS);
  return (
    <Section title="Where and when">
      {change.isError ? <Failure sentence={sentenceOf(change.error)} kept="What you wrote is still here." /> : null}
      <Field label="Where it lies, for its labels" value={place} onChangeText={setPlace} maxLength={120} />
      <Field
        label="Metres above the sea"
        value={height}
        onChangeText={setHeight}
        inputMode="numeric"
        placeholder="not said"
        wrong={isHeight ? undefined : `From ${LOWEST} to ${HIGHEST}, or nothing.`}
      />
      <Words size={15} tone="ink-soft">
        Thin air gives less compression and less power: what is measured here is judged by it.
      </Words>
      <Field
        label="Bays: units that may stand open at a time"
        value={bays}
        onChangeText={setBays}
        inputMode="numeric"
        placeholder="four for each at the bench"
        wrong={isBays ? undefined : `A whole number from 1 to ${MOST_BAYS}, or nothing.`}
      />
      <Button
        label="Save place, height and bays"
        disabled={change.isPending}
        offBecause={isHeight && isBays ? null : 'A figure cannot be read.'}
        onPress={() => keep({ place: place.trim(), heightM, bays: many })}
      />
      <Words>What people measure in who have not chosen:</Words>
      <View className="flex-row gap-2" role="group" aria-label="What people measure in">
        <Choice
          className="flex-1"
          label="inch, psi, lbf·ft"
          on={settings.usualUnits === 'inch'}
          onPress={() => keep({ usualUnits: 'inch' })}
        />
        <Choice
          className="flex-1"
          label="mm, kPa, N·m"
          on={settings.usualUnits === 'metric'}
          onPress={() => keep({ usualUnits: 'metric' })}
        />
      </View>
      <Words>When it is open. Technicians of whom nobody said otherwise are at the bench then:</Words>
      <WeekForm
        key={JSON.stringify(settings.openHours)}
        of="the yard"
        hours={settings.openHours ?? []}
        empty={settings.openHours ? 'closed' : 'as is usual'}
        isPending={change.isPending}
        onKeep={(openHours) => keep({ openHours: openHours.length === 0 ? null : openHours })}
      />
    </Section>
  );
}
