import { ENGINE_COMPLAINTS } from '../../complaints';
import { STATIONS } from './checklist';
import { JUDGEMENT, type MachineClass } from '../../shapes';

export const CLASS = {
  id: 'log-splitter',
  name: 'Log splitter',
  plural: 'Log splitters',
  letters: 'LS',
  fuelTap: true,
  stations: STATIONS,
  kit: [
    { id: 'hitch-pin', name: 'Hitch pin', count: 1, priceCents: 900 },
    { id: 'log-tray', name: 'Log tray', count: 1, priceCents: 6500 },
    { id: 'safety-chain', name: 'Safety chains', count: 2, priceCents: 1800 },
  ],
  kitSource: JUDGEMENT,
  complaints: [...ENGINE_COMPLAINTS, 'ram-slow', 'ram-weak', 'ram-dead'],
  use: { shape: 8, rate: 2, hireSpread: 0.3, source: JUDGEMENT },
} as const satisfies MachineClass;
