import { Piscina } from 'piscina';

/** What a pool of them is asked beside its work. */
export interface Workers {
  readonly load: () => Load;
  readonly stop: () => Promise<void>;
}

type Limits = Pick<
  NonNullable<ConstructorParameters<typeof Piscina>[0]>,
  'maxThreads' | 'idleTimeout' | 'resourceLimits'
>;

/** Room for what a worker has just made, MB: more is faster by little, and each worker holds it. */
const YOUNG_MEGABYTES = 8;
/** The most that one may keep, MB: with no such end it lets what is over lie for longer. */
const OLD_MEGABYTES = 256;

/** Workers for what would hold up every other request: none while there is nothing to do, two at most. */
/** How much of something that has a limit is in use just now. */
export interface Load {
  readonly total: number;
  readonly waiting: number;
}

/** How many threads there are, and what waits for one. */
export const loadOf = ({ threads, queueSize }: Pick<Piscina, 'threads' | 'queueSize'>): Load => ({
  total: threads.length,
  waiting: queueSize,
});

export const workersOf = <Asked, Made>(worker: URL, limits: Limits = {}): Piscina<Asked, Made> =>
  new Piscina<Asked, Made>({
    filename: worker.href,
    execArgv: worker.pathname.endsWith('.ts') ? ['--import', 'tsx'] : [],
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 60_000,
    ...limits,
    resourceLimits: {
      ...{ maxYoungGenerationSizeMb: YOUNG_MEGABYTES, maxOldGenerationSizeMb: OLD_MEGABYTES },
      ...limits.resourceLimits,
    },
  });
