import type { ProofNeed, StepTemplate } from './workshop';
import type { Source } from './source';

/** How often: after so many running hours, after so many months, or whichever is first. One of the two at least. */
export interface Every {
  readonly hours?: number;
  readonly months?: number;
}

/** Where a fluid goes, as a data sheet names the place. */
export type FluidPlace = 'engine' | 'pump' | 'hydraulic' | 'gearbox';

/** What not everybody may be good at. */
export const SKILLS = { electrical: 'Electrical', hydraulics: 'Hydraulics' } as const;
export type SkillId = keyof typeof SKILLS;
export const SKILL_IDS = Object.keys(SKILLS) as SkillId[];

/** One thing that is done again and again. */
export interface ServiceItem {
  readonly id: string;
  readonly name: string;
  /** What is done, one after the other: the last of them is the item’s own. */
  readonly steps: readonly Omit<StepTemplate, 'key'>[];
  /** Its engine runs while it is done: nothing is made safe first. */
  readonly runs?: true;
  readonly every: Every;
  /** Of a new or rebuilt one: the first time after so many running hours. */
  readonly firstHours?: number;
  /** The month in which it falls due, 1 to 12, where it goes by the season. */
  readonly anchorMonth?: number;
  /** Smaller items that are done with it. */
  readonly includes: readonly string[];
  readonly minutes: number;
  /** The work of the job that is raised for it, where that is not `service-` and its id. */
  readonly work?: string;
  /** Keys of the steps of other jobs that do it too. Its own job's last step is `do-` and its id. */
  readonly doneBy?: readonly string[];
  /** Where what is put in goes. */
  readonly fluid?: FluidPlace;
  /** What whoever does it must be good at. */
  readonly skill?: SkillId;
  /** What its proof shows. */
  readonly proof: readonly ProofNeed[];
  readonly source: Source;
}

/** What a class is serviced by where the model's manual says nothing else. */
export interface ServicePlan {
  /** Goes up with each change of what is due when: what was done keeps the one that it was done by. Steps stand on each card as they were. */
  readonly version: number;
  readonly items: readonly ServiceItem[];
}
