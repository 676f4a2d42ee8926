import { ENGINE_COMPLAINTS } from '../../complaints';
import { STATIONS } from './checklist';
import { JUDGEMENT, type MachineClass } from '../../shapes';

export const CLASS = {
  id: 'welder',
  name: 'Welder',
  plural: 'Welders',
  letters: 'WE',
  fuelTap: true,
  stations: STATIONS,
  kit: [
    { id: 'key', name: 'Key', count: 1, priceCents: 1500 },
    { id: 'electrode-lead', name: 'Electrode lead', count: 1, priceCents: 14500 },
    { id: 'ground-lead', name: 'Ground lead and clamp', count: 1, priceCents: 11800 },
    { id: 'remote', name: 'Remote', count: 1, priceCents: 9500 },
  ],
  kitSource: JUDGEMENT,
  complaints: [...ENGINE_COMPLAINTS, 'starter-dead', 'no-arc', 'weak-arc', 'arc-wanders'],
  use: { shape: 7, rate: 2, hireSpread: 0.3, source: JUDGEMENT },
} as const satisfies MachineClass;
