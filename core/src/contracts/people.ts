import type { InferType } from 'yup';
import { newPin, pin } from './access';
import { weekStretch } from './bench';
import type { Frozen } from '../fields/frozen';
import { FUEL_IDS, type FuelId } from '../catalogue/fuel';
import { SKILL_IDS } from '../catalogue/shapes';
import { array, boolean, mixed, name, number, object, patterned, role, string, trimmed, instant } from '../fields';

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
export type Person = Frozen<InferType<typeof person>>;

export const signInOptions = object({
  yard: string().required(),
  demo: boolean().required(),
  /** This device may show who works here; where it may not, nobody is named. */
  isLetIn: boolean().required(),
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
export type SignInOptions = Frozen<InferType<typeof signInOptions>>;
export const signIn = object({ personId: number().integer().required(), pin: pin.required() });
export const firstLead = object({ code: string().max(200).required(), name: name.required(), pin: newPin.required() });
export const zoneQuery = object({ to: string().min(2).max(60).required() });
const thenAndNow = object({ before: instant.required(), after: instant.required() });
/** What another time zone of the yard shifts. */
export const zoneShift = object({
  /** By so many minutes its clock is put on now; negative: back. */
  minutes: number().required(),
  /** When the next shift begins; null: there is none. */
  opens: thenAndNow.nullable().defined(),
  /** When the next backup is written. */
  backup: thenAndNow.required(),
  /** Booked hires of the desk whose times name no zone: they go with the yard's. */
  deskHires: number().required(),
});
export type ZoneShift = Frozen<InferType<typeof zoneShift>>;

/** A second person's word, by their PIN. */
export const witnessing = object({ personId: number().integer().required(), pin: pin.required() });
export const witness = object({ witnessId: string().required(), name: string().required() });
export const newPerson = object({ name: name.required(), role: role.required(), pin: newPin.required() });
/** How this yard writes money, figures and times. */
export const settings = object({
  yard: name.required(),
  /** ISO 4217, as USD. */
  currency: patterned(string(), /^[A-Z]{3}$/, 3, 'A currency is three capital letters, as USD.').required(),
  /** BCP 47, as en-US. */
  locale: patterned(string(), /^[a-z]{2,3}(-[A-Za-z0-9]{2,8}){0,3}$/, 30, 'A locale is written as en-US.').required(),
  /** IANA, as America/Denver. */
  timeZone: string().min(2).max(60).required(),
  /** Where it lies, as it is written on its labels. */
  place: trimmed.max(120).optional(),
  /** Metres above the sea; null: nobody said. */
  heightM: number().min(-430).max(5500).nullable().optional(),
  /** What people measure in who have not said otherwise. */
  usualUnits: string<'inch' | 'metric'>().oneOf(['inch', 'metric']).nullable().optional(),
  /** When it is open: technicians of whom nobody said when they work are at the bench then. Null: as is usual. */
  openHours: array(weekStretch.required()).max(21).nullable().optional(),
  /** Units that may stand open at a time, shared out among those at the bench; null: as many as is usual for each. */
  bays: number().integer().min(1).max(99).nullable().optional(),
  /** An hour of the workshop; null: the built-in one. */
  centsPerHour: number().integer().min(1).max(1_000_000).nullable().optional(),
  /** Of a hundred times that a part is wanted it should lie there so many, as a share; null: the built-in one. */
  serviceLevel: number().min(0.6).max(0.999).nullable().optional(),
  /** The coldest start to expect in each month, January first, °C; null: the built-in ones. */
  coldestStarts: array(number().min(-60).max(40).required()).length(12).nullable().optional(),
  /** What hirers put in, until it is known. */
  unknownFuel: string<FuelId>().oneOf(FUEL_IDS).optional(),
  /** Stabiliser by its label, ml to a litre of fuel; and what a millilitre costs, cents. */
  stabiliserMl: number().positive().max(100).optional(),
  stabiliserCents: number().min(0).max(10_000).optional(),
  /** The yard's own prices of what did not come back, cents by "class/item"; what is not here has the built-in one. */
  kitPrices: mixed<Readonly<Record<string, number>>>()
    .optional()
    .test('prices', 'Prices are whole cents, by class and item.', (prices) =>
      Object.entries(prices ?? {}).every(
        ([key, cents]) =>
          /^[a-z-]+\/[a-z0-9-]+$/.test(key) && Number.isInteger(cents) && cents >= 0 && cents <= 10_000_000,
      ),
    ),
}).noUnknown();
export type Settings = Frozen<InferType<typeof settings>>;
const skills = array(string().oneOf(SKILL_IDS).required()).max(SKILL_IDS.length);
export const people = object({
  people: array(
    object({
      id: number().required(),
      name: string().required(),
      role: role.required(),
      leftAt: string().nullable().defined(),
      /** What they are good at. */
      skills: skills.required(),
    }).required(),
  ).required(),
});
/** What a lead changes of a person: another role, a new PIN (signs them out everywhere), that they left or came back. */
export const personChange = object({
  role: role.optional(),
  pin: newPin.optional(),
  left: boolean().optional(),
  skills: skills.optional(),
});
