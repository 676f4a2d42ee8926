import { FAILURES, type FailureCode, type FieldFailure, type Problem } from '@hudrik/core/contracts';

/** An expected refusal: a code and the facts that go with it. The one error handler makes the answer. */
export class Refusal extends Error {
  constructor(
    readonly code: FailureCode,
    readonly facts: Readonly<Record<string, unknown>> = {},
    readonly errors: readonly FieldFailure[] = [],
  ) {
    super(code);
  }
}

export const refuse = (code: FailureCode, facts?: Readonly<Record<string, unknown>>): never => {
  throw new Refusal(code, facts);
};

/** RFC 9457 problem details of a refusal. */
export function problemOf(refusal: Refusal): Problem {
  const { status, title } = FAILURES[refusal.code];
  return {
    type: `urn:hudrik:${refusal.code}`,
    title,
    status,
    code: refusal.code,
    ...(refusal.errors.length > 0 ? { errors: refusal.errors } : {}),
    ...(Object.keys(refusal.facts).length > 0 ? { facts: refusal.facts } : {}),
  };
}
