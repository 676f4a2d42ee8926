import { mixed, string } from 'yup';
import { ANYONE_SIGNED_IN, LEAD_ONLY, SIGNS_OFF } from '../../fields';
import * as fuel from '../fuel';
import * as layUp from '../layUp';
import { operation } from './operation';

/** Fuel, and units that stand. */
export const STANDING_OPERATIONS = {
  fuelStore: operation('fuelStore', {
    summary: 'Cans with what is in them, and what is in each unit’s tank; what goes stale first',
    who: ANYONE_SIGNED_IN,
    reply: fuel.fuelStore,
  }),
  addCan: operation('addCan', {
    summary: 'Another can or drum',
    who: SIGNS_OFF,
    body: fuel.newCan,
    reply: fuel.fuelStore,
    status: 201,
  }),
  changeCan: operation('changeCan', {
    summary: 'A can is filled, counted, treated, or emptied for disposal',
    who: SIGNS_OFF,
    body: fuel.canChange,
    reply: fuel.fuelStore,
  }),
  unitFuel: operation('unitFuel', {
    summary: 'What is in a unit’s tank, and where',
    who: ANYONE_SIGNED_IN,
    reply: fuel.unitFuel,
  }),
  setModelTank: operation('setModelTank', {
    summary: 'What a model’s tank holds, of what it is made, whether it has a tap',
    who: LEAD_ONLY,
    body: fuel.modelTank,
    reply: fuel.modelTank,
  }),
  layUp: operation('layUp', {
    summary: 'Which units stand or will, how long, and what each way of lay-up would cost',
    who: ANYONE_SIGNED_IN,
    reply: layUp.layUp,
  }),
  chooseLayUp: operation('chooseLayUp', {
    summary: 'A lead says how a unit is laid up, and why; or leaves it to the sum again',
    who: LEAD_ONLY,
    body: layUp.layUpChoice,
    reply: layUp.layUp,
  }),
  setSeasons: operation('setSeasons', {
    summary: 'When a class stands',
    who: LEAD_ONLY,
    body: layUp.seasons,
    reply: layUp.layUp,
  }),
  seasonSheet: operation('seasonSheet', {
    summary: 'What is laid up now, in order, with doses; what of each fluid there must be',
    who: ANYONE_SIGNED_IN,
    reply: layUp.seasonSheet,
  }),
  exportSeasonSheet: operation('exportSeasonSheet', {
    summary: 'The season’s sheet as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  layUpTags: operation('layUpTags', {
    summary: 'A tag to hang on each unit that stands or will',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  seasonPdf: operation('seasonPdf', {
    summary: 'The season’s sheet on paper',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
} as const;
