import { ANYONE_SIGNED_IN, DESK, HANDS_OUT, LEAD_ONLY } from '../../fields';
import * as fleet from '../fleet';
import * as hires from '../hires';
import { operation } from './operation';

/** Hires, what they are given, and the desk outside. */
export const HIRES_OPERATIONS = {
  hires: operation('hires', {
    summary: 'Hires in a stretch of time',
    who: ANYONE_SIGNED_IN,
    query: fleet.hiresQuery,
    reply: fleet.hires,
  }),
  free: operation('free', {
    summary: 'Units that are free in a stretch of time, what is fit first',
    who: ANYONE_SIGNED_IN,
    query: fleet.freeQuery,
    reply: fleet.free,
  }),
  addHire: operation('addHire', {
    summary: 'Book a hire',
    who: DESK,
    body: fleet.newHire,
    reply: fleet.hires,
    status: 201,
  }),
  hireCalendar: operation('hireCalendar', {
    summary:
      'Hires by class and unit, those of a class with the unit that each is given; what is not covered, with the nearest help',
    who: ANYONE_SIGNED_IN,
    reply: hires.calendar,
  }),
  changeHire: operation('changeHire', {
    summary: 'A booked hire goes with another unit, or at another time',
    who: DESK,
    body: hires.hireChange,
    reply: hires.calendar,
  }),
  cancelHire: operation('cancelHire', {
    summary: 'Cancel a booked hire',
    who: DESK,
    reply: fleet.hires,
  }),
  trouble: operation('trouble', {
    summary: 'What to say to a hirer who rings: what may safely be tried, and what could go in its place',
    who: HANDS_OUT,
    query: hires.troubleQuery,
    reply: hires.trouble,
  }),
  desk: operation('desk', {
    summary: 'How it stands with the booking desk outside: when it was read, what of it was not taken',
    who: ANYONE_SIGNED_IN,
    reply: hires.desk,
  }),
  readDeskNow: operation('readDeskNow', {
    summary: 'Read the booking desk’s calendar now: in the background, how it went is read by the same address',
    who: DESK,
    reply: hires.desk,
    status: 202,
  }),
  allowBurst: operation('allowBurst', {
    summary:
      'Say that so many hires of a class at one moment are meant: the desk’s calendar is read again in the background',
    who: LEAD_ONLY,
    body: hires.burstMeant,
    reply: hires.desk,
    status: 202,
  }),
} as const;
