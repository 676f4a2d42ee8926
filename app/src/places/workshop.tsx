import { useLocalSearchParams } from 'expo-router';
import { CardScreen, ProofScreen, PutBackScreen, WaysScreen } from '@/features/card';
import { CheckInScreen } from '@/features/checkin';
import { CheckOutScreen } from '@/features/checkout';
import { FindScreen } from '@/features/find';
import { CalculatorScreen } from '@/features/numbers';
import { LabelScreen, UnitScreen } from '@/features/unit';

export { BenchScreen } from '@/features/bench';
export { FindTagScreen } from '@/features/checkin';
export { NumbersScreen, OpenGapScreen, TorqueScreen } from '@/features/numbers';
export { PartsScreen } from '@/features/parts';
export { ReturnsScreen } from '@/features/returns';
export { WaitingScreen } from '@/features/waiting';
export { YardScreen } from '@/features/yard';

/** A unit by its tag, as it stands in the address. */
function useTag(): string {
  const { tag } = useLocalSearchParams<{ tag: string }>();
  return tag.toUpperCase();
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
  return <CalculatorScreen key={id} id={id} />;
}
