import {
  PROOF_NEEDS,
  type ClassFolder,
  type ProofLook,
  type ProofLooks,
  type ProofNeed,
  type ProofPlan,
  type Rated,
  type System,
} from '../catalogue/shapes';
import { planFor, ratedOf } from '../ratings';
import type { Ledger } from '../teardown';
import { minutesWanted, type Complaint } from './minutesWanted';

/** What a visit's proof asks. */
export interface ProofSetting {
  /** The class's plan with the unit's own limits. */
  readonly plan: ProofPlan;
  readonly needs: readonly ProofNeed[];
  /** Each look that is asked, once. */
  readonly looks: readonly ProofLook[];
  readonly minutes: number;
  /** The trouble came after a time: the longest unbroken run counts, not the sum. */
  readonly unbroken: boolean;
}

interface Asked {
  readonly folder: Pick<ClassFolder, 'machineClass' | 'proof' | 'rated'>;
  /** Looks that hang on no class. */
  readonly known: ProofLooks;
  /** What the jobs of the visit ask together. */
  readonly needs: readonly ProofNeed[];
  readonly complaint: Complaint;
  /** What came off, of what system: its safety checks are asked, and what was opened of fuel or oil is looked at for leaks. */
  readonly systems: readonly System[];
  /** Rated figures of the model and of the unit. */
  readonly model?: Rated | undefined;
  readonly unit?: Rated | undefined;
}

/** Looks at the safety of what was taken apart: the class's safety checks of those systems. For fuel, the look for leaks is that. */
export const safetyLooksOf = (machineClass: ClassFolder['machineClass'], systems: readonly System[]): ProofLook[] =>
  machineClass.stations
    .flatMap((station) => station.checks)
    .filter(
      ({ kind, system }) => kind === 'safety' && system !== undefined && system !== 'fuel' && systems.includes(system),
    )
    .map((check) => ({
      id: `safety-${check.id}`,
      name: check.words,
      from: check.running ? ('running' as const) : ('at-any-time' as const),
      ...(check.caution === undefined ? {} : { caution: check.caution }),
    }));

/**
 * What a proof asks: the union of what the work needs, and no more. Nothing to run for a new lead; five minutes and a second look at the level
 * for an oil change; the class's minutes, readings and looks under load for anything of the engine or of what it drives.
 * In: the class, needs, how the trouble came, what came off, ratings. Source: common practice.
 */
export function proofSettingOf({ folder, known, needs, complaint, systems, model, unit }: Asked): ProofSetting {
  const opened = systems.includes('fuel') || systems.includes('oil');
  const all = PROOF_NEEDS.filter((need) => needs.includes(need) || (need === 'leak' && opened));
  const plan = planFor(folder.proof, folder.rated, ratedOf(folder.rated, model, unit));
  const load = all.includes('load');
  const runs = load || all.includes('short-run');
  return {
    plan: load ? plan : { ...plan, readings: [] },
    needs: all,
    looks: [
      ...(load ? plan.looks : []),
      ...(runs ? known.everyRun : []),
      ...(all.includes('level') ? [known.level] : []),
      ...(load && complaint.atStart === true ? [known.tries] : []),
      ...safetyLooksOf(folder.machineClass, systems),
    ],
    minutes: load ? minutesWanted(plan.minutes, complaint) : runs ? known.shortRunMinutes : 0,
    unbroken: load && (complaint.afterMinutes !== null || complaint.comesAndGoes),
  };
}

/** What came off or was replaced, by system. What nobody named a system for is of none. */
export const systemsOf = (ledger: Ledger): System[] => [
  ...new Set(ledger.things.flatMap((thing) => (thing.system === undefined ? [] : [thing.system]))),
];
