import { object } from 'yup';
import { ANYONE_SIGNED_IN, LEAD_ONLY, WORKS_ON_UNITS } from '../../fields';
import * as access from '../access';
import * as people from '../people';
import { operation, PIN_BYTES } from './operation';

/** Which devices are let in, who is signed in on them, and their PINs. */
export const ACCESS_OPERATIONS = {
  letIn: operation('letIn', {
    summary: 'Lets this device in by a code that a lead shows, once',
    who: 'anywhere',
    body: access.letIn,
    bytes: PIN_BYTES,
    reply: access.device,
    status: 201,
  }),
  makeDeviceCode: operation('makeDeviceCode', {
    summary: 'A code that lets one device in, within ten minutes',
    who: LEAD_ONLY,
    reply: access.deviceCode,
    isSecret: true,
    status: 201,
  }),
  putOutDevice: operation('putOutDevice', {
    summary: 'A device is put out: whoever is signed in on it is signed out',
    who: LEAD_ONLY,
    reply: access.access,
  }),
  access: operation('access', {
    summary: 'Where one is signed in, and wrong PINs; for a lead of everybody, with the devices',
    who: ANYONE_SIGNED_IN,
    reply: access.access,
  }),
  endSession: operation('endSession', {
    summary: 'Signs out one’s own session elsewhere, or as a lead anybody’s',
    who: ANYONE_SIGNED_IN,
    reply: access.access,
  }),
  makeWitness: operation('makeWitness', {
    summary: 'A second person has looked too, and says so by their PIN: good for one thing',
    who: WORKS_ON_UNITS,
    body: people.witnessing,
    bytes: PIN_BYTES,
    reply: people.witness,
    status: 201,
  }),
  changeOwnPin: operation('changeOwnPin', {
    summary: 'A new PIN of one’s own; signs out everywhere else',
    who: ANYONE_SIGNED_IN,
    body: access.ownPin,
    bytes: PIN_BYTES,
    reply: people.person,
  }),
  wrongPinsSeen: operation('wrongPinsSeen', {
    summary: 'Wrong PINs of one’s own were seen',
    who: ANYONE_SIGNED_IN,
    reply: object({}),
  }),
} as const;
