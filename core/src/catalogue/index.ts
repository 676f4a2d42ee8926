import { CAUTIONS } from './cautions';
import { FIND_FAULT } from './checklists/findFault';
import { CLASS_FOLDERS } from './classes';
import { COMPLAINTS, ENDED } from './complaints';
import { FAULTS } from './faults';
import { DERIVED_FINDINGS } from './findings';
import { CLASS_IDS, EDITIONS, OUTCOMES } from './ids';
import { OBSERVATIONS } from './observations';
import type {
  Check,
  ClassFolder,
  ClassId,
  Complaint,
  Fault,
  MachineClass,
  ObservationId,
  ProofPlan,
  ReadingKind,
} from './shapes';

export * from './ids';
export * from './shapes';
export * from './workshop';
export { CAUTIONS } from './cautions';
export { CLASS_TAGS } from './classTags';
export { FIND_FAULT } from './checklists/findFault';
export { COMPLAINTS, ENDED } from './complaints';
export { BEFORE_HELP, FIRST_HELP, type FirstHelp } from './complaints/firstHelp';
export { DERIVED_FINDINGS } from './findings';
export { MISLEADING, STANDSTILLS, TELLS_PAST } from './warnings';
export { GAP_WAYS, GOVERNOR_CLASSES, GOVERNOR_CLASSES_SOURCE, READING_LIMITS, type GovernorClass } from './limits';
export { FAULT_KNOWLEDGE, KNOWLEDGE_SOURCES, TRAIT_SHARES } from './diagnosis';
export { CLASS_FOLDERS } from './classes';
export { FUELS, FUEL_IDS, TANKS, TANKS_SOURCE, type FuelId, type FuelKind, type TankOfClass } from './fuel';
export {
  LAY_UP_BESIDES,
  LAY_UP_METHOD_IDS,
  LAY_UP_METHODS,
  besidesOf,
  methodOfWork,
  methodsFor,
  workOfLayUp,
  workOfWaking,
  type LayUpBesides,
  type LayUpMethod,
  type LayUpMethodId,
} from './layUp';
export { ENGINE_OIL, engineOilOf, ITEM_OF_WORK, SERVICE_ITEMS, SERVICE_PLANS, workOfItem } from './servicePlans';
export {
  BRINGS,
  CONSEQUENCES_OF_FAULTS,
  FAULTS,
  FORMER_FAULTS,
  formerlyOf,
  isFaultId,
  NOTHING_WRONG,
  presentFault,
  SCHOOLS,
} from './faults';
export { isObservationId, OBSERVATIONS, SAME_FACTS, SEEN_AS, SET_UPS, TOOLS } from './observations';

export const OBSERVATION_IDS = Object.keys(OUTCOMES).filter((id): id is ObservationId => Object.hasOwn(OUTCOMES, id));
export const CLASSES: readonly MachineClass[] = CLASS_FOLDERS.map((folder) => folder.machineClass);
export const PROOFS: readonly ProofPlan[] = CLASS_FOLDERS.map((folder) => folder.proof);

const FOLDER_BY_ID = new Map<string, ClassFolder>(CLASS_FOLDERS.map((folder) => [folder.machineClass.id, folder]));

/** All that a class brings. Throws for an id that is none: ids are checked where they come in. */
export function folderOf(id: string): ClassFolder {
  const found = FOLDER_BY_ID.get(id);
  if (found === undefined) throw new Error(`No such class: ${id}`);
  return found;
}

/** The class with this id. Throws for an id that is none. */
export const classOf = (id: string): MachineClass => folderOf(id).machineClass;

export const isClassId = (text: string): text is ClassId => CLASS_IDS.some((id) => id === text);

export const checksOf = (machineClass: MachineClass): readonly Check[] =>
  machineClass.stations.flatMap((station) => station.checks);

/** What nobody looks at on a return: the hirer was told. */
const HIRER_SHOWN = { id: 'hirer-shown', words: 'Hirer shown how it stops' } as const;

/** What is looked at as a unit of this class is handed out: by id, with what is right. What it has not got is not asked. */
export const looksOnHandOut = (
  machineClass: MachineClass,
  notFitted: readonly string[] = [],
): readonly Pick<Check, 'id' | 'words' | 'caution'>[] => [
  ...checksOf(machineClass).filter(({ id, when }) => when === 'out' && !notFitted.includes(id)),
  HIRER_SHOWN,
];

/** Complaints that are dangerous as such. */
export const dangersOf = (machineClass: MachineClass): readonly Complaint[] =>
  complaintsOf(machineClass).filter(({ safety }) => safety === true);

/** Complaints that are offered for a class, how it ran at the end not included. */
export const complaintsOf = (machineClass: MachineClass): readonly Complaint[] =>
  COMPLAINTS.filter((entry) => machineClass.complaints.includes(entry.id));

/** Everything that a check-in of this class is judged by, in the present edition. */
export const rulesOf = (machineClass: MachineClass) => ({
  edition: EDITIONS.rules,
  machineClass,
  complaints: [...complaintsOf(machineClass), ...ENDED],
  derived: DERIVED_FINDINGS,
  findFault: FIND_FAULT,
});

/** The check that takes a reading of a kind. */
export function observationOfReading(kind: ReadingKind): ObservationId {
  const found = OBSERVATION_IDS.find((id) => OBSERVATIONS[id].reading === kind);
  if (found === undefined) throw new Error(`No check takes the reading ${kind}`);
  return found;
}

/** An entry of a table by an id that may be none: what comes from outside is looked up by this. */
export const entryOf = <T>(table: Readonly<Record<string, T>>, id: string): T | undefined =>
  Object.hasOwn(table, id) ? table[id] : undefined;

/** What a caution says; one that a later edition no longer has, by its id. */
export const cautionText = (id: string): string => entryOf(CAUTIONS, id) ?? id.replaceAll('-', ' ');

/** A fault by an id that may be none. */
export const faultOf = (id: string): Fault | undefined => entryOf<Fault>(FAULTS, id);

export { isProofReadingId } from './isProofReadingId';
