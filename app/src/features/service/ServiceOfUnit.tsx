import { saySource, shortSource } from '@hudrik/core/catalogue';
import type { ServiceItemState } from '@hudrik/core/contracts';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useRead } from '@/api';
import { Button, Failure, LeftScale, Section, Whence, Words } from '@/design';
import { HoursFromAfar } from './HoursFromAfar';
import { sayDue, sayEvery, sayFluid, sayLeft } from './sayService';
import { itemOf, Together } from './Together';

/** Each item of the unit's service plan with what is left of it; what is best done together, and when. */
export function ServiceOfUnit({ tag }: { readonly tag: string }) {
  const { data, isError, refetch } = useRead('unitService', { params: { tag } });
  if (data === undefined)
    return isError ? (
      <Failure sentence="The service plan cannot be fetched just now." retry={() => void refetch()} />
    ) : null;
  return (
    <Section title="Service" count={data.items.filter((item) => item.share <= 0).length || undefined}>
      {data.fromAfar ? <HoursFromAfar of={data.fromAfar} /> : null}
      {data.severity < 1 ? <WorkedHard severity={data.severity} /> : null}
      <Together key={data.visits[0]?.ids.join()} service={data} />
      {data.items.map((state) => (
        <ItemLine key={state.id} state={state} severity={data.severity} />
      ))}
    </Section>
  );
}

/** Said where it is, so that nobody wonders at an interval that stands in no book. */
const WorkedHard = ({ severity }: { readonly severity: number }) => (
  <Words size={15}>
    {`It works hard: its hours are ${Math.round(severity * 100)} in 100 of its model’s. Dates stay as they are.`}
  </Words>
);

/** What goes in, by the model’s sheet; and that the season wants another grade than what is in it. */
function Fluid({ of }: { readonly of: NonNullable<ServiceItemState['fluid']> }) {
  return (
    <>
      <Words size={15}>{sayFluid(of)}</Words>
      {of.seasonChanged ? (
        <Words size={15} face="strong" tone="prep">
          The season has changed: what is in it now is of another grade.
        </Words>
      ) : null}
    </>
  );
}

function ItemLine({ state, severity }: { readonly state: ServiceItemState; readonly severity: number }) {
  const item = itemOf(state.id);
  if (item === undefined) return null;
  const { jobId } = state;
  const hard = severity < 1 && state.every.hours !== undefined ? ', shortened for hard work' : '';
  return (
    <View className="gap-1 border-b border-line py-2">
      <View className="flex-row items-baseline justify-between gap-3">
        <Words face="strong" className="shrink">
          {item.name}
        </Words>
        <Words face="figures" size={17} tone={state.share < 0 ? 'held' : 'ink'} className="shrink text-right">
          {sayLeft(state)}
        </Words>
      </View>
      <LeftScale label={`${item.name}: what is left`} left={state.share} />
      <Words size={13} tone="ink-soft">
        {sayDue(state)}
      </Words>
      {state.fluid ? <Fluid of={state.fluid} /> : null}
      {state.runsOutDuring === null ? null : (
        <Words size={15} face="strong" tone="prep">{`Runs out before hire ${state.runsOutDuring} is back.`}</Words>
      )}
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Whence
          short={`${sayEvery(state)} (${state.isOwn ? 'this model’s own plan' : shortSource(item.source)}${hard})`}
          words={
            state.isOwn
              ? `${sayEvery(state)}: as this model’s own plan has it${hard}.`
              : `${sayEvery(state)}: ${saySource(item.source)}${hard}. The maker’s manual comes first.`
          }
        />
        {jobId === null ? null : (
          <Button
            kind="quiet"
            label="On the card"
            aria-label={`${item.name}: on the card`}
            onPress={() => router.navigate(`/j/${jobId}`)}
          />
        )}
      </View>
    </View>
  );
}
