import type { InferType } from 'yup';
import { array, boolean, name, number, object, role, string } from './fields';

const pin = string().min(4, 'A PIN or password has at least four characters.').max(200);
export const preferences = object({
  units: string().oneOf(['inch', 'metric']).default('inch'),
  theme: string().oneOf(['light', 'dark', 'system']).default('system'),
});
export const person = object({
  id: number().required(),
  name: string().required(),
  role: role.required(),
  preferences: preferences.required(),
});
export type Person = InferType<typeof person>;

export const signInOptions = object({
  yard: string().required(),
  demo: boolean().required(),
  wantsFirstLead: boolean().required(),
  /** Names to tap. In the demo with their PIN. */
  people: array(
    object({
      id: number().required(),
      name: string().required(),
      role: role.required(),
      demoPin: string().optional(),
    }).required(),
  ).required(),
});
export type SignInOptions = InferType<typeof signInOptions>;
export const signIn = object({ personId: number().integer().required(), pin: pin.required() });
export const firstLead = object({ code: string().required(), name: name.required(), pin: pin.required() });
export const newPerson = object({ name: name.required(), role: role.required(), pin: pin.required() });
export const people = object({
  people: array(
    object({
      id: number().required(),
      name: string().required(),
      role: role.required(),
      leftAt: string().nullable().defined(),
    }).required(),
  ).required(),
});
/** What a lead changes of a person: another role, a new PIN (signs them out everywhere), that they left or came back. */
export const personChange = object({ role: role.optional(), pin: pin.optional(), left: boolean().optional() });
export const health = object({ ok: boolean().required(), store: boolean().required(), version: string().required() });
