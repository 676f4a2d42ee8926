import { useLocalSearchParams } from 'expo-router';
import { DataSheetScreen, TroubleScreen } from '@/features/desk';
import { ModelPlanScreen } from '@/features/service/ModelPlanScreen';
import { FirstLead } from '@/features/session/FirstLead';
import { LetIn } from '@/features/session/LetIn';

export { AccessScreen } from '@/features/access/AccessScreen';
export { SetUpScreen } from '@/features/setup/SetUpScreen';
export { StatusScreen } from '@/features/status/StatusScreen';
export { AddUnitScreen, ExchangeScreen, FreeScreen, HiresScreen } from '@/features/desk';
export { HoursScreen } from '@/features/hours';
export { LearnedScreen } from '@/features/find/LearnedScreen';
export { FuelStoreScreen } from '@/features/fuel/FuelStoreScreen';
export { LayUpScreen } from '@/features/layUp';
export { FleetServiceScreen } from '@/features/service/FleetServiceScreen';
export { MoreScreen, PeopleScreen, SettingsScreen } from '@/features/settings';

export function DataSheetRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DataSheetScreen key={id} id={id} />;
}
export function FirstLeadRoute() {
  const { code } = useLocalSearchParams<{ code?: string }>();
  return <FirstLead code={code ?? ''} />;
}
export function LetInRoute() {
  const { code } = useLocalSearchParams<{ code?: string }>();
  return <LetIn code={code ?? ''} />;
}
export function TroubleRoute() {
  const { tag } = useLocalSearchParams<{ tag: string }>();
  return <TroubleScreen key={tag} tag={tag} />;
}
export function ModelPlanRoute() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ModelPlanScreen key={id} id={id} />;
}
