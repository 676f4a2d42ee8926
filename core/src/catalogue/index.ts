import { CLASSES } from './classes';
import { COMPLAINTS, ENDED } from './complaints';
import { RULES_EDITION } from './edition';
import { DERIVED_FINDINGS } from './findings';
import { OBSERVATION_IDS, OBSERVATIONS, type ObservationId } from './observations';
import type { Check, Complaint, MachineClass, ReadingKind } from './shapes';

export * from './shapes';
export * from './bench';
export { CAUTIONS, type CautionId } from './cautions';
export { FIND_FAULT } from './checklists/findFault';
export { CLASSES } from './classes';
export { COMPLAINTS, ENDED } from './complaints';
export { RULES_EDITION } from './edition';
export { DERIVED_FINDINGS } from './findings';
export { MISLEADING, STANDSTILLS, TELLS_PAST } from './warnings';
export { READING_LIMITS } from './limits';
export { FAULT_KNOWLEDGE, TRAIT_SHARES } from './diagnosis';
export { CONSEQUENCES_OF_FAULTS, FAULT_IDS, FAULTS, isFaultId, NOTHING_WRONG, SCHOOLS, type FaultId } from './faults';
export {
  isObservationId,
  OBSERVATION_IDS,
  OBSERVATIONS,
  SAME_FACTS,
  SET_UPS,
  TOOLS,
  type ObservationId,
  type ToolId,
} from './observations';

export type ClassId = (typeof CLASSES)[number]['id'];
export const CLASS_IDS: readonly ClassId[] = CLASSES.map((entry) => entry.id);

const CLASS_BY_ID = new Map<string, MachineClass>(CLASSES.map((entry) => [entry.id, entry]));

/** The class with this id. Throws for an id that is none: ids are checked where they come in. */
export function classOf(id: string): MachineClass {
  const found = CLASS_BY_ID.get(id);
  if (found === undefined) throw new Error(`No such class: ${id}`);
  return found;
}

export const checksOf = (machineClass: MachineClass): readonly Check[] =>
  machineClass.stations.flatMap((station) => station.checks);

/** Complaints that are offered for a class, how it ran at the end not included. */
export const complaintsOf = (machineClass: MachineClass): readonly Complaint[] =>
  COMPLAINTS.filter((entry) => machineClass.complaints.includes(entry.id));

/** Everything that a check-in of this class is judged by, in the present edition. */
export const rulesOf = (machineClass: MachineClass) => ({
  edition: RULES_EDITION,
  machineClass,
  complaints: [...complaintsOf(machineClass), ...ENDED],
  derived: DERIVED_FINDINGS,
});

/** The check that takes a reading of a kind. */
export const observationOfReading = (kind: ReadingKind): ObservationId =>
  OBSERVATION_IDS.find((id) => OBSERVATIONS[id].reading === kind) as ObservationId;

export const isClassId = (text: string): text is ClassId => CLASS_BY_ID.has(text);
