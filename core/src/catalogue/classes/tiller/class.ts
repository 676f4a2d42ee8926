import { ENGINE_COMPLAINTS } from '../../complaints';
import { STATIONS } from './checklist';
import { JUDGEMENT, type MachineClass } from '../../shapes';

export const CLASS = {
  id: 'tiller',
  name: 'Tiller',
  plural: 'Tillers',
  letters: 'TI',
  fuelTap: true,
  stations: STATIONS,
  kit: [
    { id: 'wheel-pin', name: 'Wheel pins', count: 2, priceCents: 400 },
    { id: 'depth-bar', name: 'Depth bar', count: 1, priceCents: 2600 },
    { id: 'shear-pins', name: 'Shear-pin bag', count: 1, priceCents: 800 },
  ],
  kitSource: JUDGEMENT,
  complaints: [...ENGINE_COMPLAINTS, 'tines-creep', 'tines-stuck'],
  use: { shape: 6, rate: 2, hireSpread: 0.3, source: JUDGEMENT },
} as const satisfies MachineClass;
