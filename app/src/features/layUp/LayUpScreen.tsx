import type { LayUpReply } from '@hudrik/core/contracts';
import { useState } from 'react';
import { View } from 'react-native';
import { usePerson, useRead } from '@/api';
import { Button, Empty, Failure, Loading, Page, Section, useIsWide, Words } from '@/design';
import { ComingUnit } from './ComingUnit';
import { CostCurves } from './CostCurves';
import { FleetTable } from './FleetTable';
import { isComing, sayLayUp, standingOf } from './sayLayUp';
import { SeasonSheetSection } from './SeasonSheetSection';
import { SeasonsSheet } from './SeasonsSheet';
import { StandingUnit } from './StandingUnit';
import { WakeCurves } from './WakeCurves';

/** What comes into lay-up, how and for how much; what stands; how those woke that stood. */
export function LayUpScreen() {
  const layUp = useRead('layUp');
  const wide = useIsWide();
  if (!layUp.data)
    return layUp.isError ? (
      <Failure sentence="The lay-up cannot be fetched just now." retry={() => void layUp.refetch()} />
    ) : (
      <Loading what="the lay-up" />
    );
  return (
    <Page wide={wide}>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {sayLayUp(layUp.data.units)}
      </Words>
      {wide ? <Wide layUp={layUp.data} /> : <Phone layUp={layUp.data} />}
    </Page>
  );
}

interface Props {
  readonly layUp: LayUpReply;
}

/** On the phone: the next unit with its steps, one at a time; the rest below. */
function Phone({ layUp }: Props) {
  const coming = comingOf(layUp);
  return (
    <View className="gap-6">
      <Section title="Comes into lay-up" count={coming.length}>
        {coming.length === 0 ? <Nothing /> : null}
        {coming.map((unit, at) => (
          <ComingUnit key={unit.tag} unit={unit} isOpen={at === 0} stabiliserMl={layUp.prices.stabiliserMl} />
        ))}
      </Section>
      <Stands layUp={layUp} />
      <SeasonSheetSection />
      <WakeCurves layUp={layUp} />
      <Seasons layUp={layUp} />
    </View>
  );
}

/** On the wide screen: the fleet as a table of ways and costs; beside it the chosen unit's curves, the sheet, and what stands. */
function Wide({ layUp }: Props) {
  const coming = comingOf(layUp);
  const [tag, choose] = useState<string | null>(null);
  const unit = coming.find((one) => one.tag === tag) ?? coming[0];
  return (
    <View className="flex-row items-start gap-5">
      <View className="min-w-0 flex-1 gap-6">
        <Section title="Comes into lay-up" count={coming.length}>
          {coming.length === 0 ? (
            <Nothing />
          ) : (
            <FleetTable units={coming} chosen={unit?.tag ?? null} onChoose={choose} />
          )}
        </Section>
        {unit ? <CostCurves unit={unit} layUp={layUp} /> : null}
        <WakeCurves layUp={layUp} />
      </View>
      <View className="w-[350px] gap-6">
        {unit ? <ComingUnit key={unit.tag} unit={unit} isOpen stabiliserMl={layUp.prices.stabiliserMl} /> : null}
        <SeasonSheetSection />
        <Stands layUp={layUp} />
        <Seasons layUp={layUp} />
      </View>
    </View>
  );
}

/** Those whose season begins first come first; of them the metal tanks and those that stand longest. */
const comingOf = ({ units }: LayUpReply) =>
  units
    .filter(isComing)
    .sort(
      (a, b) =>
        (a.forecast?.beginsIn ?? 0) - (b.forecast?.beginsIn ?? 0) ||
        Number(b.tank.isMetal) - Number(a.tank.isMetal) ||
        (b.forecast?.expected ?? 0) - (a.forecast?.expected ?? 0),
    );

const Nothing = () => (
  <Empty sentence="No unit’s season is on or begins within 45 days. When classes stand is said below." />
);

/** What stands, in the order in which it is woken. */
function Stands({ layUp }: Props) {
  const standing = standingOf(layUp);
  if (standing.length === 0) return null;
  return (
    <Section title="Laid up: wake in this order" count={standing.length}>
      {standing.map((waking) => (
        <StandingUnit key={waking.unit.tag} waking={waking} />
      ))}
    </Section>
  );
}

/** When classes stand: a lead edits it. */
function Seasons({ layUp }: Props) {
  const { role } = usePerson();
  const [open, setOpen] = useState(false);
  return (
    <Section title="Seasons" count={layUp.seasons.length}>
      {layUp.seasons.map(({ classId, from, to, callOdds }) => (
        <Words key={`${classId} ${from}`} size={15}>
          {`${classId.replace('-', ' ')}: ${from} to ${to}, called at short notice ${Math.round(callOdds * 100)} in 100`}
        </Words>
      ))}
      {role === 'lead' ? (
        <Button className="self-start" label="Say when classes stand" onPress={() => setOpen(true)} />
      ) : null}
      {open ? <SeasonsSheet seasons={layUp.seasons} onClose={() => setOpen(false)} /> : null}
    </Section>
  );
}
