import { FAILURES, type FailureCode, type FailureFacts, type FieldFailure, type Problem } from '@hudrik/core/contracts';

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

/** What goes with a code: nothing, or its facts. Where each of them may be missing, they may be left out. */
type Facts<C extends FailureCode> = C extends keyof FailureFacts
  ? object extends FailureFacts[C]
    ? [facts?: FailureFacts[C]]
    : [facts: FailureFacts[C]]
  : [];

/** A refusal with the facts that its code goes with, to be thrown or answered. */
export const refusal = <C extends FailureCode>(code: C, ...[facts]: Facts<C>): Refusal =>
  new Refusal(code, { ...facts });

export function refuse<C extends FailureCode>(code: C, ...facts: Facts<C>): never {
  throw refusal(code, ...facts);
}

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
