import { array, boolean, mixed, number, object, string, type StringSchema } from 'yup';
import { CLASS_IDS, CONSEQUENCES, JOB_KINDS } from '../catalogue';
import { READINESS } from '../readiness';
import { HIRE_STATES } from '../states';
import { ROLES } from './roles';
import { seenLength, trimUnseen } from './visible';

/** Longer text is not even looked through: it is refused for its length. */
const LONGEST = 10_000;

/** Text without what cannot be seen around it. What is no text stays what it is, and is refused as such. */
export const trimmed = string().transform((value: unknown) =>
  typeof value === 'string' && value.length <= LONGEST ? trimUnseen(value) : value,
);
/** The same in capitals. */
export const capitals = trimmed.transform((value: unknown) =>
  typeof value === 'string' ? value.toUpperCase() : value,
);

/** Text of a pattern. How long it is is looked at before the pattern is: what is too long is never searched. */
export const patterned = <S extends StringSchema<string | undefined>>(
  schema: S,
  pattern: RegExp,
  most: number,
  message: string,
): S =>
  schema.test(
    'pattern',
    message,
    (value: unknown) => value == null || (typeof value === 'string' && value.length <= most && pattern.test(value)),
  ) as S;

/** The fields that appear in more than one contract. */
export const tag = patterned(
  capitals,
  /^[A-Z]{2}-\d{2,4}$/,
  7,
  'A tag is two letters, a dash and two to four figures, as PW-07.',
);
export const id = string().uuid();
export const classId = string().oneOf(CLASS_IDS);
export const role = string().oneOf(ROLES);
export const instant = string().test(
  'instant',
  'An instant is wanted, as 2030-05-01T09:00:00Z.',
  (value) =>
    value == null || (value.length <= 40 && /^\d{4}-\d\d-\d\dT/.test(value) && !Number.isNaN(Date.parse(value))),
);
export const name = trimmed.min(1).max(80);
export const text = trimmed.max(2000);
/** Why: at least three characters that can be seen. What has no width is no reason. */
export const reasonText = text.test(
  'seen',
  'Say why, in a few words.',
  (value) => value == null || (value.length <= LONGEST && seenLength(value) >= 3),
);
export const hours = number().min(0).max(99_999.9);
export const readiness = string().oneOf(READINESS);
export const consequence = string().oneOf(CONSEQUENCES);
export const jobKind = string().oneOf(JOB_KINDS);
export const version = number().integer().min(1);
export const cursor = string().max(200);

export const origin = object({ kind: string().required(), id: string().required(), exception: string().optional() });
export const reason = object({
  origin: origin.required(),
  consequence: consequence.required(),
  sentence: string().required(),
  caution: string().optional(),
  safety: boolean().optional(),
});

export const readinessVerdict = object({
  readiness: readiness.required(),
  because: array(string().required()).required(),
  notLookedAtSince: string().optional(),
  dueAt: string().optional(),
});

export const hireLine = object({
  reference: string().required(),
  classId: classId.required(),
  tag: string().nullable().defined(),
  fromAt: string().required(),
  toAt: string().required(),
  state: string().oneOf(HIRE_STATES).required(),
  outAt: string().nullable().defined(),
  backAt: string().nullable().defined(),
  /** Who hires, and how to reach them; empty where nobody wrote it down. */
  hirer: string().default(''),
  phone: string().default(''),
});

export { array, boolean, mixed, number, object, string };
