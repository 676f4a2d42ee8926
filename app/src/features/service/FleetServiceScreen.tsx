import { CLASS_IDS, SERVICE_ITEMS, type ClassId } from '@hudrik/core/catalogue';
import { CLASS_TAGS } from '@hudrik/core/classTags';
import type { FleetService } from '@hudrik/core/contracts';
import { Link } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { useRead } from '@/api';
import { Button, Choice, Empty, Failure, Loading, Page, ReadinessMark, useIsWide, Words } from '@/design';
import { sayMinutes } from '@/writing';
import { EquipmentLine } from './EquipmentLine';
import { sayFleet, sayItemDue } from './sayFleet';
import { Together } from './Together';
import { WorkAhead } from './WorkAhead';

type FleetUnit = FleetService['units'][number];

/** What of the yard's service falls due, week by week, by class and by item; each unit's next visit is raised at one tap. */
export function FleetServiceScreen() {
  const service = useRead('fleetService');
  const [classId, setClassId] = useState<ClassId | null>(null);
  const [itemId, setItemId] = useState<string | null>(null);
  const wide = useIsWide();
  if (!service.data)
    return service.isError ? (
      <Failure sentence="The service cannot be fetched just now." retry={() => void service.refetch()} />
    ) : (
      <Loading what="the service" />
    );
  const { units, weeks } = service.data;
  const ofClass = units.filter((unit) => classId === null || unit.classId === classId);
  const shown = ofClass.filter(({ items }) => itemId === null || items.some(({ id }) => id === itemId));
  return (
    <Page wide={wide}>
      <Words role="heading" aria-level={1} size={22} face="strong">
        {sayFleet(service.data)}
      </Words>
      <EquipmentLine />
      <WorkAhead weeks={weeks} />
      <Chips label="Class">
        <Choice label="All" on={classId === null} onPress={() => setClassId(null)} />
        {CLASS_IDS.filter((id) => units.some((unit) => unit.classId === id)).map((id) => (
          <Choice key={id} label={CLASS_TAGS[id].name} on={classId === id} onPress={() => setClassId(id)} />
        ))}
      </Chips>
      <Items units={ofClass} chosen={itemId} onChoose={setItemId} />
      {units.length > 0 ? (
        <Button label="Print the list" onPress={() => window.open('/api/service/list.pdf', '_blank')} />
      ) : null}
      {shown.length === 0 ? <Empty sentence="Nothing falls due in the next eight weeks." /> : null}
      <View className={wide ? 'flex-row flex-wrap gap-4' : 'gap-3'}>
        {shown.map((unit) => (
          <View key={unit.tag} className={wide ? 'w-[48%] grow' : ''}>
            <UnitDue unit={unit} />
          </View>
        ))}
      </View>
    </Page>
  );
}

/** Choices in rows on the wide screen, in one line to push along on the phone. */
function Chips({ label, children }: { readonly label: string; readonly children: React.ReactNode }) {
  const wide = useIsWide();
  if (wide)
    return (
      <View className="flex-row flex-wrap gap-2" role="group" aria-label={label}>
        {children}
      </View>
    );
  return (
    <ScrollView horizontal tabIndex={0} contentContainerClassName="gap-2" role="group" aria-label={label}>
      {children}
    </ScrollView>
  );
}

interface ItemsProps {
  readonly units: readonly FleetUnit[];
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
}

/** How many of each item fall due: what to have on the shelf. */
function Items({ units, chosen, onChoose }: ItemsProps) {
  const counts = SERVICE_ITEMS.map(({ id, name }) => ({
    id,
    name,
    count: units.reduce((sum, { items }) => sum + items.filter((item) => item.id === id).length, 0),
  })).filter(({ count }) => count > 0);
  return (
    <Chips label="Item">
      {counts.map(({ id, name, count }) => (
        <Choice
          key={id}
          label={`${name} ${count}`}
          on={chosen === id}
          onPress={() => onChoose(chosen === id ? null : id)}
        />
      ))}
    </Chips>
  );
}

function UnitDue({ unit }: { readonly unit: FleetUnit }) {
  return (
    <View className="gap-2 border border-card-edge bg-card p-3">
      <View className="flex-row items-center gap-3">
        <ReadinessMark of={unit.readiness} size={20} />
        <Link href={`/u/${unit.tag}`} className="font-stencil text-22 text-ink underline">
          {unit.tag}
        </Link>
        <Words face="figures" size={17} className="ml-auto">
          {sayMinutes(unit.items.reduce((sum, { minutes }) => sum + minutes, 0))}
        </Words>
      </View>
      {unit.items.map((item) => (
        <View key={item.id} className="flex-row items-baseline gap-3">
          <Words
            size={15}
            face={item.share <= 0 ? 'strong' : 'text'}
            tone={item.share <= 0 ? 'held' : 'ink'}
            className="flex-1"
          >
            {SERVICE_ITEMS.find(({ id }) => id === item.id)?.name ?? item.id}
          </Words>
          <Words size={15}>{sayItemDue(item)}</Words>
        </View>
      ))}
      <Together key={unit.visits[0]?.ids.join()} service={unit} />
    </View>
  );
}
