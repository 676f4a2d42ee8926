import { Piscina } from 'piscina';

type Limits = Pick<NonNullable<ConstructorParameters<typeof Piscina>[0]>, 'maxThreads' | 'resourceLimits'>;

/** Workers for what would hold up every other request: none while there is nothing to do, two at most. */
export const workersOf = <Asked, Made>(worker: URL, limits: Limits = {}): Piscina<Asked, Made> =>
  new Piscina<Asked, Made>({
    filename: worker.href,
    execArgv: worker.pathname.endsWith('.ts') ? ['--import', 'tsx'] : [],
    minThreads: 0,
    maxThreads: 2,
    idleTimeout: 60_000,
    ...limits,
  });
