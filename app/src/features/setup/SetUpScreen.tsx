import { router, type Href } from 'expo-router';
import { View } from 'react-native';
import { useRead } from '@/api';
import { Button, Card, Page, Words } from '@/design';
import { FleetImport } from './FleetImport';
import { useSteps } from './useSteps';

/** From an empty yard to the first check-in: what is done, what comes next. It can be left and taken up again: each step looks at what is there. */
export function SetUpScreen() {
  const steps = useSteps();
  const settings = useRead('settings');
  const left = steps.filter(({ isDone }) => isDone === false);
  return (
    <Page>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {left.length === 0
          ? 'The yard is set up.'
          : `Set up ${settings.data?.yard ?? 'the yard'}: ${sayLeft(left.length)}.`}
      </Words>
      <Words size={15} tone="ink-soft">
        In any order, and with pauses: what is done stays done.
      </Words>
      {steps.map(({ id, title, why, isDone, said, go, action }, at) => (
        <Card key={id} className="gap-2">
          <View className="flex-row items-baseline gap-3">
            <Words face="stencil" size={22}>
              {isDone ? '✓' : String(at + 1)}
            </Words>
            <Words face="strong" className="min-w-0 flex-1">
              {title}
            </Words>
            <Words size={15}>{said}</Words>
          </View>
          {isDone ? null : <Words size={15}>{why}</Words>}
          {go ? (
            <Button
              kind={left[0]?.id === id ? 'main' : 'plain'}
              className="self-start"
              label={action}
              onPress={() => (go.startsWith('/api/') ? window.open(go, '_blank') : router.navigate(go as Href))}
            />
          ) : null}
          {id === 'units' && !isDone ? <FleetImport /> : null}
        </Card>
      ))}
    </Page>
  );
}

const sayLeft = (count: number): string => (count === 1 ? 'one step is left' : `${count} steps are left`);
