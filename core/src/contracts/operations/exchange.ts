import { mixed, string } from 'yup';
import { ANYONE_SIGNED_IN, DESK, LEAD_ONLY } from '../../fields';
import * as fleet from '../fleet';
import { operation } from './operation';

/** Lists in and out. */
export const EXCHANGE_OPERATIONS = {
  importParts: operation('importParts', {
    summary: 'Take parts from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportParts: operation('exportParts', {
    summary: 'Parts as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  importModels: operation('importModels', {
    summary: 'Take models from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportModels: operation('exportModels', {
    summary: 'Models as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  takeFleet: operation('takeFleet', {
    summary: 'Take a whole fleet from CSV, with its models: all or nothing; as a trial nothing, but what would happen',
    who: LEAD_ONLY,
    query: fleet.trial,
    raw: ['text/csv'],
    reply: fleet.fleetReport,
  }),
  labelsPdf: operation('labelsPdf', {
    summary: 'A sheet of labels for all units',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  importUnits: operation('importUnits', {
    summary: 'Take units from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportUnits: operation('exportUnits', {
    summary: 'Units as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  importHires: operation('importHires', {
    summary: 'Take hires from CSV',
    who: DESK,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportHires: operation('exportHires', {
    summary: 'Hires as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  importSheets: operation('importSheets', {
    summary: 'Take data sheets from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportSheets: operation('exportSheets', {
    summary: 'All data sheets as CSV, a line for each thing that they say',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
  importPlans: operation('importPlans', {
    summary: 'Take models’ own service plans from CSV',
    who: LEAD_ONLY,
    raw: ['text/csv'],
    reply: fleet.importReport,
  }),
  exportPlans: operation('exportPlans', {
    summary: 'Models’ own service plans as CSV',
    who: ANYONE_SIGNED_IN,
    reply: string(),
  }),
} as const;
