import type { Knowledge, Learned } from './compileModel';
import type { CompiledObservation } from './compiled';
import { Finding, type Seen } from './Finding';
import type { Machine } from './machine';
import { drawSet, drawShowing, type Random } from './SimulatedRun';
import type { Trouble } from './follow';

export interface Drawn {
  readonly finding: Finding;
  readonly trouble: Trouble;
}

const MOST_COMPLAINTS = 3;
const TRIES = 500;

/**
 * A machine in trouble, drawn from the model: its hidden faults, and up to three complaints that they bring about.
 * In: knowledge, machine, a seeded source of numbers. Out: the finding with the complaints in, and what is truly wrong.
 * Throws when no drawn machine has a complaint, which is a fault of the data.
 */
export function drawTrouble(knowledge: Knowledge, machine: Machine, random: Random, learned?: Learned): Drawn {
  const prior = new Finding(knowledge, machine, [], learned);
  const sets = prior.sets(20_000);
  const possible = [...prior.model.observations.values()].filter(
    (entry) => entry.belongs && knowledge.observations[entry.id]?.kind === 'complaint',
  );
  for (let tries = 0; tries < TRIES; tries++) {
    const faults = drawSet(sets, prior.model.faultIds.length, random);
    const { seen, complaints } = complain(knowledge, possible, faults, random);
    if (complaints.length > 0)
      return { finding: new Finding(knowledge, machine, [{ seen }], learned), trouble: { faults, complaints } };
  }
  throw new Error('No machine drawn had a complaint');
}

/** What its hirer would complain of: what the faults bring about; of an engine that does not start, no more than that. */
function complain(
  knowledge: Knowledge,
  possible: readonly CompiledObservation[],
  faults: readonly number[],
  random: Random,
): { seen: Seen; complaints: (readonly number[])[] } {
  const seen: Record<string, string> = {};
  const complaints: (readonly number[])[] = [];
  for (const observation of possible) {
    const { outcome, speakers } = drawShowing(observation, faults, random);
    if (speakers.length === 0 || complaints.length >= MOST_COMPLAINTS) continue;
    seen[observation.id] = outcome;
    complaints.push(speakers);
    if (knowledge.standstills.some((entry) => entry.observation === observation.id && entry.outcome === outcome)) break;
  }
  return { seen, complaints };
}
