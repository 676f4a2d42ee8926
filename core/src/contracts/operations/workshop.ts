import { mixed, number, object } from 'yup';
import { ANYONE_SIGNED_IN, WORKS_ON_UNITS, LEAD_ONLY } from '../../fields';
import * as card from '../card';
import * as finding from '../finding';
import * as fleet from '../fleet';
import { operation } from './operation';

/** Findings, jobs and cards. */
export const WORKSHOP_OPERATIONS = {
  finding: operation('finding', {
    summary: 'A finding with all that was seen',
    who: ANYONE_SIGNED_IN,
    reply: finding.finding,
    ifMatch: true,
  }),
  unitFinding: operation('unitFinding', {
    summary: 'The finding that is open on a unit, or none',
    who: ANYONE_SIGNED_IN,
    reply: finding.maybeFinding,
  }),
  learned: operation('learned', {
    summary: 'What proven causes have taught, by class and engine family',
    who: ANYONE_SIGNED_IN,
    reply: finding.learned,
  }),
  forgetLearned: operation('forgetLearned', {
    summary: 'Go back to the built-in odds',
    who: LEAD_ONLY,
    reply: finding.learned,
  }),
  jobs: operation('jobs', {
    summary: 'Jobs',
    who: ANYONE_SIGNED_IN,
    query: fleet.jobsQuery,
    reply: fleet.jobs,
  }),
  card: operation('card', {
    summary: 'A job’s card, whole',
    who: ANYONE_SIGNED_IN,
    reply: card.card,
  }),
  cardPdf: operation('cardPdf', {
    summary: 'The card to print',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  estimatePdf: operation('estimatePdf', {
    summary: 'The estimate to print',
    who: ANYONE_SIGNED_IN,
    query: card.waysQuery,
    reply: mixed(),
  }),
  ways: operation('ways', {
    summary: 'Mend, replace, swap the engine or let it go: the reckoning',
    who: ANYONE_SIGNED_IN,
    query: card.waysQuery,
    reply: card.ways,
  }),
  live: operation('live', {
    summary: 'Readings of the load bank and the tachometer, as server-sent events',
    who: WORKS_ON_UNITS,
    query: object({ load: number().min(0).max(1).default(0) }),
    reply: mixed(),
  }),
  clocks: operation('clocks', {
    summary: 'Waits that run, or have ended and want their result',
    who: ANYONE_SIGNED_IN,
    reply: card.clocks,
  }),
} as const;
