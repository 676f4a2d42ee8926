import { timingSafeEqual } from 'node:crypto';
import type { OperationId } from '@hudrik/core/contracts';
import type { Response } from 'express';
import type { Actor, Context } from '../context';
import { changeOwnPin, endSession, readAccess, wrongPinsSeen } from '../people/access';
import { letDeviceIn, letInByCode, makeDeviceCode, putOutDevice, type Device } from '../people/devices';
import { addPerson } from '../people/people';
import { personOfToken, readSignInOptions, SESSION_DAYS, signIn, signOut } from '../people/sessions';
import { Refusal, refuse } from '../refusal';
import { makeWitness } from '../witnesses/witness';
import { numberIn } from './answers';
import { COOKIE, DEVICE_COOKIE, type Handlers } from './bind';
import type { Installation } from './installation';
import { streamEvents } from './streamEvents';

type OfAccess = Extract<
  OperationId,
  | 'signInOptions'
  | 'signIn'
  | 'letIn'
  | 'makeDeviceCode'
  | 'putOutDevice'
  | 'access'
  | 'endSession'
  | 'makeWitness'
  | 'changeOwnPin'
  | 'wrongPinsSeen'
  | 'firstLead'
  | 'me'
  | 'signOut'
  | 'events'
>;

/** Devices, people who sign in on them, and streams that last as long as they are signed in. */
export function accessHandlersOf(installation: Installation): Pick<Handlers, OfAccess> {
  return {
    signInOptions: async ({ context, device, response }) => {
      // The demo lets in whoever looks at it.
      const isLetIn = device !== null || (installation.demo && (await letDemoIn(context, response)));
      return readSignInOptions(context, installation.demo, isLetIn);
    },
    signIn: async ({ context, body, device, response }) => enter(response, await signIn(context, { ...body, device })),
    letIn: async ({ context, body, response }) =>
      keepDevice(response, await letInByCode(context, body.code, body.name)),
    makeDeviceCode: async ({ context, actor, response }) => ({
      ...(await makeDeviceCode(context, actor)),
      address: isOfThisMachine(response) && installation.reachedAs ? addressBy(response, installation.reachedAs) : null,
      trust: installation.trust && {
        url: `http://${(isOfThisMachine(response) && installation.reachedAs) || response.req.hostname}:${installation.trust.port}`,
        fingerprint: installation.trust.fingerprint,
      },
    }),
    putOutDevice: async ({ context, actor, device, token, params }) => {
      await putOutDevice(context, numberIn(params, 'id'));
      return readAccess(context, { actor, device, token: token ?? '' });
    },
    access: async ({ context, actor, device, token }) => readAccess(context, { actor, device, token: token ?? '' }),
    endSession: async ({ context, actor, device, token, params }) => {
      await endSession(context, actor, numberIn(params, 'id'));
      return readAccess(context, { actor, device, token: token ?? '' });
    },
    makeWitness: async ({ context, actor, device, body }) => makeWitness(context, actor, device, body),
    changeOwnPin: async ({ context, actor, device, token, body }) =>
      changeOwnPin(context, { actor, device, token: token ?? '' }, body),
    wrongPinsSeen: async ({ context, actor }) => {
      await wrongPinsSeen(context, actor);
      return {};
    },
    firstLead: async ({ context, body, response }) => {
      await mustBeFirst(context, installation, body.code);
      const person = await addPerson(context.db, { name: body.name, role: 'lead', pin: body.pin });
      // Who has the printed code has the machine: this device is the first.
      const { key, device } = await letDeviceIn(context, 'The first lead’s', person.id);
      setDevice(response, key);
      return enter(response, await signIn(context, { personId: person.id, pin: body.pin, device }));
    },
    me: async ({ actor }) => actor,
    signOut: async ({ context, token, response }) => {
      if (token) await signOut(context, token);
      response.clearCookie(COOKIE, { path: '/' });
      return {};
    },
    events: async ({ context, actor, response, token, device }) =>
      streamEvents(response, {
        events: installation.events,
        isStillIn: () => isStillIn(context, { actor, token, device }),
      }),
  };
}

/** Asked by a name that means another machine on another machine. */
const isOfThisMachine = ({ req }: Response): boolean => /^(localhost|127\..*|\[?::1\]?)$/.test(req.hostname);

function addressBy({ req }: Response, name: string): string {
  const port = /:\d+$/.exec(req.get('host') ?? '')?.[0] ?? '';
  return `${req.protocol}://${name}${port}`;
}

const DEVICE_DAYS = 400;

/** A cookie for the server alone, and over TLS only where that is how it came. */
const cookieFor = ({ req }: Response, days: number) =>
  ({ httpOnly: true, sameSite: 'strict', secure: req.secure, path: '/', maxAge: days * 86_400_000 }) as const;

function enter<T>(response: Response, signedIn: { readonly token: string; readonly person: T } | Refusal): T | Refusal {
  if (signedIn instanceof Refusal) return signedIn;
  response.cookie(COOKIE, signedIn.token, cookieFor(response, SESSION_DAYS));
  return signedIn.person;
}

const setDevice = (response: Response, key: string) =>
  response.cookie(DEVICE_COOKIE, key, cookieFor(response, DEVICE_DAYS));

function keepDevice(response: Response, { key, device }: { readonly key: string; readonly device: Device }): Device {
  setDevice(response, key);
  return device;
}

async function letDemoIn(context: Context, response: Response): Promise<boolean> {
  keepDevice(response, await letDeviceIn(context, 'A device of the demo', null));
  return true;
}

interface Signed {
  readonly actor: Pick<Actor, 'id' | 'role'>;
  readonly token: string | null;
  readonly device: Device;
}

/** Whether somebody is still signed in here, as who they were when they asked. */
export async function isStillIn(context: Context, { actor, token, device }: Signed): Promise<boolean> {
  const person = token === null ? null : await personOfToken(context, token, device.id);
  return person !== null && person.id === actor.id && person.role === actor.role;
}

async function mustBeFirst({ db }: Context, installation: Installation, code: string): Promise<void> {
  const wanted = Buffer.from(installation.firstLeadCode ?? '');
  const given = Buffer.from(code);
  const fits = wanted.length > 0 && wanted.length === given.length && timingSafeEqual(wanted, given);
  if (!fits || (await db.selectFrom('person').select('id').limit(1).executeTakeFirst()))
    refuse('not-found', { field: 'code' });
}
