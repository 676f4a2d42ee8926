import { usePerson } from '@/api';
import { ShiftScreen } from '@/features/shift';
import { inOffice } from '@/places';

const FreeScreen = inOffice((place) => place.FreeScreen);

/** What somebody starts with: the desk asks what is free, everybody else what to do. */
export default function Start() {
  const { role } = usePerson();
  return role === 'counter' ? <FreeScreen /> : <ShiftScreen />;
}
