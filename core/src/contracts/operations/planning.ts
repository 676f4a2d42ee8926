import { mixed } from 'yup';
import { ANYONE_SIGNED_IN, LEAD_ONLY, SIGNS_OFF } from '../../fields';
import * as bench from '../bench';
import * as equipment from '../equipment';
import * as service from '../service';
import { LIST_BYTES, operation } from './operation';

/** Service, the bench and who works when. */
export const PLANNING_OPERATIONS = {
  unitService: operation('unitService', {
    summary: 'Each item of a unit’s service plan: done, due, when it will be, and what is best done together',
    who: ANYONE_SIGNED_IN,
    reply: service.unitService,
  }),
  modelPlan: operation('modelPlan', {
    summary: 'What a model is serviced by: its own plan, and what it comes to with its class’s',
    who: ANYONE_SIGNED_IN,
    reply: service.modelPlan,
  }),
  changePlan: operation('changePlan', {
    summary: 'Another version of a model’s own service plan',
    who: LEAD_ONLY,
    body: service.planChange,
    bytes: LIST_BYTES,
    reply: service.modelPlan,
  }),
  fleetService: operation('fleetService', {
    summary: 'What of the yard’s service falls due in the weeks ahead, and how much work each week has',
    who: ANYONE_SIGNED_IN,
    reply: service.fleetService,
  }),
  servicePdf: operation('servicePdf', {
    summary: 'What of the yard’s service falls due, on paper',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  equipment: operation('equipment', {
    summary: 'How it stands with the machines that tell their hours from afar: who is silent, whose hours cannot be',
    who: ANYONE_SIGNED_IN,
    reply: equipment.equipment,
  }),
  readEquipmentNow: operation('readEquipmentNow', {
    summary: 'Read the machines’ feed now: in the background, how it went is read by the same address',
    who: SIGNS_OFF,
    reply: equipment.equipment,
    status: 202,
  }),
  bench: operation('bench', {
    summary: 'The plan of the bench: who does which visit when, with what is worth saying of it',
    who: ANYONE_SIGNED_IN,
    reply: bench.bench,
  }),
  benchSearch: operation('benchSearch', {
    summary: 'How far the search for a better plan is, and what it saves so far',
    who: ANYONE_SIGNED_IN,
    reply: bench.search,
  }),
  stopSearch: operation('stopSearch', {
    summary: 'Stop the search for a better plan: the best so far stands',
    who: SIGNS_OFF,
    reply: bench.search,
  }),
  planAnew: operation('planAnew', {
    summary: 'Look for a better plan, for so many seconds',
    who: SIGNS_OFF,
    body: bench.planAnew,
    reply: bench.bench,
  }),
  dayPdf: operation('dayPdf', {
    summary: 'What somebody has to do today, to print',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  workingHours: operation('workingHours', {
    summary: 'Who works when, and who is away',
    who: ANYONE_SIGNED_IN,
    reply: bench.workingHours,
  }),
  setHours: operation('setHours', {
    summary: 'When somebody works, week by week',
    who: LEAD_ONLY,
    body: bench.newHours,
    reply: bench.workingHours,
  }),
  addAbsence: operation('addAbsence', {
    summary: 'Somebody is away for some days',
    who: LEAD_ONLY,
    body: bench.newAbsence,
    reply: bench.workingHours,
    status: 201,
  }),
  endAbsence: operation('endAbsence', {
    summary: 'Somebody is not away after all',
    who: LEAD_ONLY,
    reply: bench.workingHours,
  }),
} as const;
