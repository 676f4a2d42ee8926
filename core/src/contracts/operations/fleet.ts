import { mixed, number, object } from 'yup';
import { ANYONE_SIGNED_IN, WORKS_ON_UNITS, LEAD_ONLY } from '../../fields';
import * as sheet from '../sheet';
import * as fleet from '../fleet';
import * as inspection from '../inspection';
import * as log from '../log';
import * as parts from '../parts';
import { LIST_BYTES, operation } from './operation';

/** Units, their models, what happened to them, and their returns. */
export const FLEET_OPERATIONS = {
  units: operation('units', {
    summary: 'The yard, a page at a time',
    who: ANYONE_SIGNED_IN,
    query: fleet.unitsQuery,
    reply: fleet.units,
  }),
  unit: operation('unit', {
    summary: 'One unit',
    who: ANYONE_SIGNED_IN,
    reply: fleet.unitPage,
    ifMatch: true,
  }),
  addUnit: operation('addUnit', {
    summary: 'Add a unit',
    who: LEAD_ONLY,
    body: fleet.newUnit,
    reply: fleet.unitPage,
    status: 201,
  }),
  changeUnit: operation('changeUnit', {
    summary: 'Change a unit',
    who: LEAD_ONLY,
    body: fleet.unitChange,
    reply: fleet.unitPage,
    ifMatch: true,
  }),
  addLogEntry: operation('addLogEntry', {
    summary: 'Something that happened: an entry of a kind, on a unit, a job, a finding or a wanted part',
    who: ANYONE_SIGNED_IN,
    body: log.newLogEntry,
    reply: log.taken,
    status: 201,
  }),
  history: operation('history', {
    summary: 'What happened to a unit, newest first',
    who: ANYONE_SIGNED_IN,
    query: fleet.historyQuery,
    reply: fleet.history,
  }),
  addModel: operation('addModel', {
    summary: 'Add a model',
    who: LEAD_ONLY,
    body: fleet.newModel,
    reply: fleet.model,
    status: 201,
  }),
  modelSheet: operation('modelSheet', {
    summary: 'A model with its data sheet',
    who: ANYONE_SIGNED_IN,
    reply: fleet.modelSheet,
  }),
  changeSheet: operation('changeSheet', {
    summary: 'What the data sheet says',
    who: LEAD_ONLY,
    body: sheet.enteredSheet,
    bytes: LIST_BYTES,
    reply: fleet.modelSheet,
  }),
  models: operation('models', {
    summary: 'Models with their data sheets',
    who: ANYONE_SIGNED_IN,
    reply: fleet.models,
  }),
  unitSheet: operation('unitSheet', {
    summary:
      'What is known of a unit beside its state: its model’s sheet, its plate, notes that stand, what was measured',
    who: ANYONE_SIGNED_IN,
    reply: sheet.unitSheet,
  }),
  unitParts: operation('unitParts', {
    summary: 'The parts of a unit’s model, by name and place or by any old number',
    who: ANYONE_SIGNED_IN,
    query: parts.partsQuery,
    reply: sheet.unitParts,
  }),
  opening: operation('opening', {
    summary: 'What is known when a check-in or check-out starts',
    who: ANYONE_SIGNED_IN,
    reply: inspection.opening,
  }),
  checkIn: operation('checkIn', {
    summary: 'One check-in as it was judged',
    who: ANYONE_SIGNED_IN,
    reply: inspection.checkIn,
  }),
  putPhoto: operation('putPhoto', {
    query: object({ madeBy: number().integer().optional() }),
    summary: 'Keep a photo',
    who: WORKS_ON_UNITS,
    raw: ['image/jpeg', 'image/png', 'image/webp'],
    reply: inspection.photo,
    status: 201,
  }),
  photo: operation('photo', {
    summary: 'A photo',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  photoThumb: operation('photoThumb', {
    summary: 'A photo, small',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
} as const;
