import { fromMemory, judgement } from '../catalogue';
import { antifreezeFor, residualInBowl, waterBeforeParting } from '../fuel';
import type { Calculator } from './shape';

export const TANK_BY_DIP: Calculator = {
  id: 'tank-by-dip',
  name: 'Tank by dip',
  does: 'How much is in a tank with straight walls, and how much fits in',
  asks: [
    { id: 'holds', label: 'The tank holds', unit: 'L', usual: 20 },
    { id: 'deep', label: 'Depth of the tank', unit: 'mm', usual: 200 },
    { id: 'wet', label: 'Wet on the stick', unit: 'mm', usual: 50 },
  ],
  gives: ({ holds = 0, deep = 0, wet = 0 }) =>
    deep <= 0 || wet > deep
      ? null
      : [
          { id: 'litres', label: 'In it', value: (holds * wet) / deep, unit: 'L' },
          { id: 'room', label: 'Fits in', value: holds * (1 - wet / deep), unit: 'L' },
        ],
  formula: 'holds × wet ÷ depth',
  sources: [judgement('walls taken as straight')],
  worked: { given: { holds: 20, deep: 200, wet: 50 }, gives: { litres: 5, room: 15 } },
};

export const BOWL_LEFT: Calculator = {
  id: 'bowl-left',
  name: 'Left in the bowl',
  does: 'What stays below the jet when a carburettor was run dry',
  asks: [
    { id: 'across', label: 'Bowl, across', unit: 'mm', usual: 48 },
    { id: 'jet', label: 'Jet over the floor', unit: 'mm', usual: 8 },
  ],
  gives: ({ across = 0, jet = 0 }) =>
    across <= 0 ? null : [{ id: 'left', label: 'Stays in it', value: residualInBowl(across, jet), unit: 'mL' }],
  formula: 'π ÷ 4 × across² × height of the jet',
  sources: [judgement('a cylinder’s volume; slopes are left out')],
  worked: { given: { across: 48, jet: 8 }, gives: { left: 14.476 } },
};

export const PUMP_ANTIFREEZE: Calculator = {
  id: 'pump-antifreeze',
  name: 'Antifreeze for pump and hose',
  does: 'How much fills them before frost',
  asks: [
    { id: 'pump', label: 'The pump takes', unit: 'mL', usual: 200 },
    { id: 'hose', label: 'Hose', unit: 'm', usual: 15 },
    { id: 'bore', label: 'Its bore', unit: 'mm', usual: 8 },
  ],
  gives: ({ pump = 0, hose = 0, bore = 0 }) => [
    { id: 'litres', label: 'Antifreeze', value: antifreezeFor(pump, hose, bore), unit: 'L' },
  ],
  formula: 'pump + π ÷ 4 × bore² × length',
  sources: [judgement('a cylinder’s volume; slopes are left out')],
  worked: { given: { pump: 200, hose: 15, bore: 8 }, gives: { litres: 0.954 } },
};

export const WATER_PARTS: Calculator = {
  id: 'water-parts',
  name: 'Water before a blend parts',
  does: 'How much water fuel with ethanol takes up before it stands in two layers',
  asks: [
    { id: 'litres', label: 'Fuel', unit: 'L', usual: 20 },
    { id: 'ethanol', label: 'Ethanol', unit: '%', usual: 10 },
    { id: 'cold', label: 'Temperature', unit: '°C', usual: 15, isSigned: true },
  ],
  gives: ({ litres = 0, ethanol = 0, cold = 15 }) =>
    ethanol > 100
      ? null
      : [
          {
            id: 'water',
            label: 'Takes up',
            value: litres * 1000 * waterBeforeParting(ethanol / 100, cold),
            unit: 'mL',
          },
        ],
  formula: 'fuel × 5 % of its ethanol at 15 °C, less when it is cold',
  sources: [fromMemory('half a percent of water for a 10 % blend at 15 °C, less when it is cold')],
  worked: { given: { litres: 20, ethanol: 10, cold: 15 }, gives: { water: 100 } },
};
