import { ENGINE_COMPLAINTS } from '../../complaints';
import { STATIONS } from './checklist';
import { JUDGEMENT, type MachineClass } from '../../shapes';

export const CLASS = {
  id: 'generator',
  name: 'Generator',
  plural: 'Generators',
  letters: 'GE',
  fuelTap: true,
  stations: STATIONS,
  kit: [
    { id: 'key', name: 'Key', count: 1, priceCents: 1500 },
    { id: 'cord', name: 'Outdoor cord', count: 1, priceCents: 4500 },
    { id: 'wheel-pin', name: 'Wheel pins', count: 2, priceCents: 400 },
  ],
  kitSource: JUDGEMENT,
  complaints: [...ENGINE_COMPLAINTS, 'starter-dead', 'no-power', 'low-power', 'drops-on-load'],
  use: { shape: 10, rate: 2, hireSpread: 0.3, source: JUDGEMENT },
} as const satisfies MachineClass;
