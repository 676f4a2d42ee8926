import { usePerson } from '@/api';

/** Whether the person signed in may say what the cause was. */
export const useConfirms = (): boolean => {
  const { role } = usePerson();
  return role === 'technician' || role === 'lead';
};
