import { ENGINE_COMPLAINTS } from '../complaints';
import { TILLER_STATIONS } from '../checklists/tiller';
import { COMMON_PRACTICE, JUDGEMENT, type MachineClass } from '../shapes';

export const TILLER = {
  id: 'tiller',
  name: 'Tiller',
  plural: 'Tillers',
  letters: 'TI',
  fuelTap: true,
  stations: TILLER_STATIONS,
  kit: [
    { id: 'wheel-pin', name: 'Wheel pins', count: 2, priceCents: 400 },
    { id: 'depth-bar', name: 'Depth bar', count: 1, priceCents: 2600 },
    { id: 'shear-pins', name: 'Shear-pin bag', count: 1, priceCents: 800 },
  ],
  complaints: [...ENGINE_COMPLAINTS, 'tines-creep', 'tines-stuck'],
  use: { shape: 6, rate: 2, source: JUDGEMENT },
  oilService: { hours: 50, source: COMMON_PRACTICE },
} as const satisfies MachineClass;
