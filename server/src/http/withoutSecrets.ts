import { ROUTES } from '@hudrik/core/contracts';

/** Paths that have a secret in them. */
const SECRET_PATHS = Object.values(ROUTES)
  .map(({ path }) => path)
  .filter((path) => path.includes('{secret}'))
  .map((path) => path.slice(0, path.indexOf('{secret}')));

/** A path as it may be written down: who has a calendar's whole path reads that calendar. */
export const withoutSecrets = (path: string): string => {
  const head = SECRET_PATHS.find((one) => path.startsWith(one));
  return head === undefined ? path : `${head}…`;
};
