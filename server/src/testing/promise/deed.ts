import type { Role } from '@hudrik/core/contracts';
import fc from 'fast-check';
import type { World } from './world';

/** Something that somebody does: its name, and what it does to the world. Refused or taken, it is theirs to try. */
export interface Deed {
  readonly name: string;
  readonly run: (world: World) => Promise<unknown>;
}

export const role = fc.constantFrom<Role>('apprentice', 'technician', 'lead', 'counter');
export const signer = fc.constantFrom<Role>('technician', 'technician', 'lead', 'apprentice');
export const which = fc.nat(30);
export const pick = <T>(list: readonly T[], n: number): T | undefined => list[n % Math.max(list.length, 1)];
export const deed = (name: string, run: Deed['run']): Deed => ({ name, run });

/** The job at hand, or one that is there no more: a phone may still hold it. */
export const jobAt = async (world: World, n: number): Promise<string | null> => {
  const job = pick(await world.jobs(), n);
  return job === undefined ? null : String(job.id);
};
export const onJob =
  (n: number, act: (world: World, jobId: string) => Promise<unknown>): Deed['run'] =>
  async (world) => {
    const jobId = await jobAt(world, n);
    return jobId === null ? false : act(world, jobId);
  };
