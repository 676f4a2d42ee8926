import type { Person } from '@hudrik/core/contracts';
import { createContext, useContext } from 'react';

/** Who is signed in, or nobody. Screens ask by usePerson. */
export const PersonContext = createContext<Person | null>(null);

/** Who is signed in. Only below the sign-in. */
export function usePerson(): Person {
  const person = useContext(PersonContext);
  if (person === null) throw new Error('usePerson is only for screens behind the sign-in');
  return person;
}

/** Whether who is signed in may sign off work: a technician or a lead. */
export function useSigns(): boolean {
  const { role } = usePerson();
  return role === 'technician' || role === 'lead';
}
