import { convertValue } from '../units';
import type { Calculator } from './shape';
import { NIST } from './sources';

export const TORQUE_UNITS: Calculator = {
  id: 'torque-units',
  name: 'Torque in other units',
  does: 'From pound-feet to pound-inches to newton-metres, and back',
  asks: [{ id: 'torque', label: 'Torque', unit: 'lbf·in', usual: 165 }],
  gives: ({ torque = 0 }) => [
    { id: 'newtonMetres', label: 'Torque', value: convertValue(torque, 'lbf·in', 'N·m'), unit: 'N·m' },
    { id: 'poundFeet', label: 'or', value: convertValue(torque, 'lbf·in', 'lbf·ft'), unit: 'lbf·ft' },
    { id: 'poundInches', label: 'or', value: torque, unit: 'lbf·in' },
  ],
  formula: '1 lbf·ft = 12 lbf·in = 1.355 817 948 N·m',
  sources: [NIST],
  worked: { given: { torque: 165 }, gives: { poundFeet: 13.75, newtonMetres: 18.6425 } },
};
