import { useLocalSearchParams } from 'expo-router';
import { CardScreen, ProofScreen, PutBackScreen, WaysScreen } from '@/features/card';
import { CheckInScreen } from '@/features/checkin';
import { CheckOutScreen } from '@/features/checkout';
import { FindScreen } from '@/features/find';
import { CalculatorScreen, NumbersScreen, TorqueScreen } from '@/features/numbers';
import { LabelScreen, UnitScreen } from '@/features/unit';

export { BenchScreen } from '@/features/bench';
export { FindTagScreen } from '@/features/checkin';
export { OpenGapScreen } from '@/features/numbers';
export { PartsScreen } from '@/features/parts';
export { ReturnsScreen } from '@/features/returns';
export { WaitingScreen } from '@/features/waiting';
export { YardScreen } from '@/features/yard';

/** A unit by its tag, as it stands in the address. */
function useTag(): string {
  const { tag } = useLocalSearchParams<{ tag: string }>();
  return tag.toUpperCase();
}
/** A unit that the address asks for besides; null: none. */
function useUnitAsked(): string | null {
  const { unit } = useLocalSearchParams<{ unit?: string }>();
  return unit === undefined || unit === '' ? null : unit.toUpperCase();
}
const useId = (): string => useLocalSearchParams<{ id: string }>().id;

export function UnitRoute() {
  const tag = useTag();
  return <UnitScreen key={tag} tag={tag} />;
}
export function LabelRoute() {
  return <LabelScreen tag={useTag()} />;
}
export function CheckInRoute() {
  const tag = useTag();
  return <CheckInScreen key={tag} tag={tag} />;
}
export function CheckOutRoute() {
  const tag = useTag();
  return <CheckOutScreen key={tag} tag={tag} />;
}
export function UnitFindRoute() {
  const tag = useTag();
  return <FindScreen key={tag} tag={tag} />;
}
export function EngineFindRoute() {
  return <FindScreen tag={null} />;
}
export function CardRoute() {
  const id = useId();
  return <CardScreen key={id} jobId={id} />;
}
export function PutBackRoute() {
  const id = useId();
  return <PutBackScreen key={id} jobId={id} />;
}
export function ProofRoute() {
  const id = useId();
  return <ProofScreen key={id} jobId={id} />;
}
export function WaysRoute() {
  const id = useId();
  return <WaysScreen key={id} jobId={id} />;
}
export function CalculatorRoute() {
  const id = useId();
  return <CalculatorScreen key={id} id={id} tag={useUnitAsked()} />;
}
export function TorqueRoute() {
  const { torque } = useLocalSearchParams<{ torque?: string }>();
  return <TorqueScreen tag={useUnitAsked()} torqueAt={torque === undefined ? null : Number(torque)} />;
}
export function NumbersRoute() {
  return <NumbersScreen tag={useUnitAsked()} />;
}
