import { entryOf, FAULTS, FORMER_FAULTS, OBSERVATIONS, type AnyObservation } from '../catalogue';
import { symbolOf } from '../units';

const observationOf = (id: string): AnyObservation | undefined => entryOf<AnyObservation>(OBSERVATIONS, id);

/** An observation's words; of one that a later edition no longer has, its id. */
export const observationName = (id: string): string => observationOf(id)?.words ?? id.replaceAll('-', ' ');

export const outcomeName = (observation: string, outcome: string): string =>
  entryOf(observationOf(observation)?.outcomes ?? {}, outcome)?.[0] ?? outcome.replaceAll('-', ' ');

export const outcomesFit = (observation: string, outcomes: readonly string[]): boolean =>
  outcomes.every((outcome) => Object.hasOwn(observationOf(observation)?.outcomes ?? {}, outcome));

export const faultName = (id: string): string =>
  (entryOf(FAULTS, id) ?? entryOf(FORMER_FAULTS, id))?.name ?? id.replaceAll('-', ' ');

/** How a gauge was driven, as a person says it. */
const METHODS: Readonly<Record<string, string>> = { pull: 'rope' };

/** A reading as it was entered: its numbers, its unit, how it was taken. */
export function readingLine(reading: Readonly<Record<string, unknown>> | null): string | null {
  if (reading === null) return null;
  const { unit, method, ...values } = reading;
  return `${Object.values(values).join(' / ')} ${symbolOf(String(unit ?? ''))}${typeof method === 'string' ? `, by ${METHODS[method] ?? method}` : ''}`;
}

/** A part as it was called when the entry was taken. */
export interface PartNamed {
  readonly number?: string;
  readonly part?: string;
  readonly count?: number;
}

export const partName = ({ number, part, count }: PartNamed): string =>
  [count === undefined ? '' : `${count} ×`, number ?? '', part ?? ''].filter((word) => word !== '').join(' ');
