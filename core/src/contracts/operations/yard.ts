import { mixed, object } from 'yup';
import { ANYONE_SIGNED_IN, LEAD_ONLY } from '../../fields';
import * as hires from '../hires';
import * as inspection from '../inspection';
import * as people from '../people';
import * as status from '../status';
import { operation, PIN_BYTES } from './operation';

/** Who is here, how the yard writes, and the day. */
export const YARD_OPERATIONS = {
  health: operation('health', {
    summary: 'Is it up, and can it reach its records?',
    who: 'anywhere',
    isAskedBlind: true,
    reply: status.health,
  }),
  openapi: operation('openapi', {
    summary: 'This document',
    who: 'public',
    reply: mixed(),
  }),
  signInOptions: operation('signInOptions', {
    summary: 'What the sign-in screen shows',
    who: 'anywhere',
    reply: people.signInOptions,
  }),
  signIn: operation('signIn', {
    summary: 'Sign in',
    who: 'public',
    body: people.signIn,
    bytes: PIN_BYTES,
    reply: people.person,
  }),
  firstLead: operation('firstLead', {
    summary: 'Make the first lead by the printed one-time code',
    who: 'anywhere',
    body: people.firstLead,
    bytes: PIN_BYTES,
    reply: people.person,
  }),
  me: operation('me', {
    summary: 'Who is signed in',
    who: ANYONE_SIGNED_IN,
    reply: people.person,
  }),
  signOut: operation('signOut', {
    summary: 'Sign out',
    who: ANYONE_SIGNED_IN,
    reply: object({}),
  }),
  setPreferences: operation('setPreferences', {
    summary: 'Units and theme',
    who: ANYONE_SIGNED_IN,
    body: people.preferences,
    reply: people.person,
  }),
  settings: operation('settings', {
    summary: 'How this yard writes money, figures and times',
    who: ANYONE_SIGNED_IN,
    reply: people.settings,
  }),
  changeSettings: operation('changeSettings', {
    summary: 'Currency, locale and time zone of the yard',
    who: LEAD_ONLY,
    body: people.settings,
    reply: people.settings,
  }),
  zoneShift: operation('zoneShift', {
    summary: 'What would shift if the yard’s clock were that of another zone',
    who: LEAD_ONLY,
    query: people.zoneQuery,
    reply: people.zoneShift,
  }),
  events: operation('events', {
    summary: 'What changed just now, as server-sent events: read anew what they name',
    who: ANYONE_SIGNED_IN,
    reply: mixed(),
  }),
  people: operation('people', { summary: 'Everybody', who: LEAD_ONLY, reply: people.people }),
  changePerson: operation('changePerson', {
    summary: 'Another role, a new PIN, left or back',
    who: LEAD_ONLY,
    body: people.personChange,
    bytes: PIN_BYTES,
    reply: people.people,
  }),
  addPerson: operation('addPerson', {
    summary: 'Add a person',
    who: LEAD_ONLY,
    body: people.newPerson,
    bytes: PIN_BYTES,
    reply: people.person,
    status: 201,
  }),
  calendarAddress: operation('calendarAddress', {
    summary: 'Where one’s own calendar is read, with a secret',
    who: ANYONE_SIGNED_IN,
    reply: hires.calendarAddress,
  }),
  renewCalendar: operation('renewCalendar', {
    summary: 'A new secret: the old address is dead',
    who: ANYONE_SIGNED_IN,
    isSecret: true,
    reply: hires.calendarAddress,
  }),
  ownCalendar: operation('ownCalendar', {
    summary: 'The plan and the service that falls due, as iCalendar, for whoever has the secret',
    who: 'anywhere',
    reply: mixed(),
  }),
  status: operation('status', {
    summary: 'How this installation stands: records, disk, backups, what waits, what is wrong',
    who: LEAD_ONLY,
    reply: status.status,
  }),
  backUpNow: operation('backUpNow', {
    summary: 'Writes a backup now, in the background',
    who: LEAD_ONLY,
    reply: status.status,
    status: 202,
  }),
  shift: operation('shift', {
    summary: 'What to do now, with reasons',
    who: ANYONE_SIGNED_IN,
    reply: inspection.shift,
  }),
} as const;
