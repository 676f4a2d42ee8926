import { ENGINE_COMPLAINTS } from '../../complaints';
import { STATIONS } from './checklist';
import { JUDGEMENT, type MachineClass } from '../../shapes';

export const CLASS = {
  id: 'pressure-washer',
  name: 'Pressure washer',
  plural: 'Pressure washers',
  letters: 'PW',
  fuelTap: true,
  stations: STATIONS,
  kit: [
    { id: 'gun', name: 'Gun', count: 1, priceCents: 4800 },
    { id: 'lance', name: 'Lance', count: 1, priceCents: 3200 },
    { id: 'hose', name: 'High-pressure hose', count: 1, priceCents: 8900 },
    { id: 'nozzle-0', name: 'Nozzle 0°', count: 1, priceCents: 900, formerly: 'nozzle' },
    { id: 'nozzle-15', name: 'Nozzle 15°', count: 1, priceCents: 900, formerly: 'nozzle' },
    { id: 'nozzle-25', name: 'Nozzle 25°', count: 1, priceCents: 900, formerly: 'nozzle' },
    { id: 'nozzle-40', name: 'Nozzle 40°', count: 1, priceCents: 900, formerly: 'nozzle' },
    { id: 'nozzle-soap', name: 'Soap nozzle', count: 1, priceCents: 900 },
    { id: 'clearing-pin', name: 'Nozzle pin', count: 1, priceCents: 300 },
  ],
  kitSource: JUDGEMENT,
  complaints: [...ENGINE_COMPLAINTS, 'no-pressure', 'low-pressure', 'pulses'],
  use: { shape: 6, rate: 2, hireSpread: 0.3, source: JUDGEMENT },
} as const satisfies MachineClass;
