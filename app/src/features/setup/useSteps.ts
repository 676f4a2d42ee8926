import { useRead } from '@/api';

interface Step {
  readonly id: 'yard' | 'units' | 'labels' | 'people' | 'devices' | 'hires' | 'first';
  readonly title: string;
  readonly why: string;
  /** Null: the yard does not say whether it was done, so it is offered and not counted. */
  readonly isDone: boolean | null;
  /** What is there already. */
  readonly said: string;
  readonly action: string;
  /** Where it is done; null: here. */
  readonly go: string | null;
}

/** How many units there are, in whatever state. */
export const totalOf = (counts: Readonly<Record<string, number>>): number =>
  Object.values(counts).reduce((sum, many) => sum + many, 0);

const UNNAMED = 'Hire yard';
const count = (many: number, one: string, more: string): string => (many === 1 ? `1 ${one}` : `${many} ${more}`);

/** What a new yard wants, each with whether it is there. Nothing of this is stored: the yard itself says how far it is. */
export function useSteps(): readonly Step[] {
  const settings = useRead('settings').data;
  const units = totalOf(useRead('units', { query: { limit: 1 } }).data?.counts ?? {});
  const people = (useRead('people').data?.people ?? []).filter(({ leftAt }) => leftAt === null);
  const devices = useRead('access').data?.devices ?? [];
  const hires = useRead('hires').data?.hires ?? [];
  const looked = useRead('shift').data?.held ?? [];
  const name = settings?.yard ?? '';
  return [
    {
      ...{
        id: 'yard',
        title: 'The yard: name, place, hours, currency, units',
        action: 'To the settings',
        go: '/settings',
      },
      why: 'Money, figures and times are written so, work is laid into its hours, and its height is reckoned with.',
      ...{ isDone: name !== '' && name !== UNNAMED, said: name },
    },
    {
      ...{ id: 'units', title: 'Models and units', action: 'Add one by hand', go: '/add-unit' },
      why: 'Every machine with the tag that is painted on it, and what its hour meter shows today.',
      ...{ isDone: units > 0, said: count(units, 'unit', 'units') },
    },
    {
      ...{ id: 'labels', title: 'Labels to stick on', action: 'Print them', go: units > 0 ? '/api/labels.pdf' : null },
      why: `A code on each machine opens it on any phone that is let in.${units > 0 ? '' : ' Comes once there are units.'}`,
      ...{ isDone: units > 0 ? null : false, said: '' },
    },
    {
      ...{ id: 'people', title: 'People', action: 'Add people', go: '/people' },
      why: 'Who inspects, repairs, signs off, and hands out.',
      ...{ isDone: people.length > 1, said: count(people.length, 'person', 'people') },
    },
    {
      ...{ id: 'devices', title: 'Phones and PCs', action: 'Let a device in', go: '/access' },
      why: 'Each is let in once, by a code that you show.',
      ...{ isDone: devices.length > 1, said: count(devices.length, 'device', 'devices') },
    },
    {
      ...{ id: 'hires', title: 'Hires', action: 'To the hires', go: '/hires' },
      why: 'What goes out when is what everything here works towards. By hand, as a list, or from a booking desk.',
      ...{ isDone: hires.length > 0, said: count(hires.length, 'hire', 'hires') },
    },
    {
      ...{ id: 'first', title: 'The first look at a unit', action: 'Check one in', go: '/check-in' },
      why: 'Nobody has looked at any yet, so none may go out. A check-in takes about six minutes.',
      ...{ isDone: units > 0 && looked.length < units, said: '' },
    },
  ];
}
