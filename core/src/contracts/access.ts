import type { InferType } from 'yup';
import { array, boolean, instant, name, number, object, string, trimmed, type Frozen } from '../fields';
import { sayWeakness, weaknessOfPin } from '../people';

/** What is typed to sign in: older PINs may be shorter than new ones. */
export const pin = string().min(4, 'A PIN or password has at least four characters.').max(200);
const pinLength = { most: 200 } as const;
/** A PIN that somebody chooses. */
export const newPin = string()
  .max(pinLength.most)
  .test('hard-to-guess', (value, { createError, parent }) => {
    const owner: unknown = (parent as { readonly name?: unknown } | undefined)?.name;
    // What is too long is said to be, and not looked through.
    if (value === undefined || value.length > pinLength.most) return true;
    const weakness = weaknessOfPin(value, typeof owner === 'string' ? owner.slice(0, pinLength.most) : '');
    return weakness === null || createError({ message: sayWeakness(weakness) });
  });

/** What lets a device in, once: shown by a lead, typed or scanned on the device. */
export const deviceCode = object({
  code: string().required(),
  expiresAt: instant.required(),
  /** Where another device reaches this yard, when it is asked by a name that only this machine knows it by; null: as it was asked. */
  address: string().nullable().defined(),
  /** Where a device first learns to trust this yard, and by what a person knows that it is the right one; null: nothing is to be trusted. */
  trust: object({ url: string().required(), fingerprint: string().required() }).nullable().defined(),
});
export const letIn = object({ code: trimmed.min(4).max(40).required(), name: name.required() });
export const device = object({ id: number().required(), name: string().required() });
export const ownPin = object({ old: pin.required(), fresh: newPin.required() });

/** Where people are signed in, on which devices, and whose PIN was got wrong. */
export const access = object({
  /** The one that asks. */
  device: number().required(),
  /** It is of the older kind, which is guessed sooner. */
  isPinShort: boolean().required(),
  sessions: array(
    object({
      id: number().required(),
      personId: number().required(),
      person: string().required(),
      device: string().required(),
      beganAt: instant.required(),
      seenAt: instant.required(),
      isThis: boolean().required(),
    }).required(),
  ).required(),
  /** For a lead: all; for others none. */
  devices: array(
    object({
      id: number().required(),
      name: string().required(),
      letInAt: instant.required(),
      letInBy: string().nullable().defined(),
      seenAt: instant.required(),
      signedIn: number().required(),
    }).required(),
  ).required(),
  /** Wrong PINs of the last thirty days: one’s own, or for a lead everybody’s. */
  wrongPins: array(
    object({
      personId: number().required(),
      person: string().required(),
      device: string().required(),
      count: number().required(),
      lastAt: instant.required(),
      /** Nobody has said yet that it was seen. */
      isNew: boolean().required(),
    }).required(),
  ).required(),
});
export type Access = Frozen<InferType<typeof access>>;
