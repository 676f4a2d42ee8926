import { ENGINE_COMPLAINTS } from '../../complaints';
import { STATIONS } from './checklist';
import { JUDGEMENT, type MachineClass } from '../../shapes';

export const CLASS = {
  id: 'snowblower',
  name: 'Snowblower',
  plural: 'Snowblowers',
  letters: 'SN',
  fuelTap: true,
  stations: STATIONS,
  kit: [
    { id: 'key', name: 'Key', count: 1, priceCents: 1500 },
    { id: 'clearing-tool', name: 'Chute clearing tool', count: 1, priceCents: 1900 },
    { id: 'shear-bolts', name: 'Shear-bolt bag', count: 1, priceCents: 1200 },
    { id: 'start-cord', name: 'Starter cord', count: 1, priceCents: 2400 },
  ],
  kitSource: JUDGEMENT,
  complaints: [...ENGINE_COMPLAINTS, 'auger-stuck', 'auger-stalls', 'no-drive', 'short-throw'],
  use: { shape: 5, rate: 2, hireSpread: 0.3, source: JUDGEMENT },
} as const satisfies MachineClass;
