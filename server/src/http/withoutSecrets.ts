import { ROUTES } from '@hudrik/core/contracts';
import type { Request } from 'express';

/** Paths that have a secret in them. */
const SECRET_PATHS = Object.values(ROUTES)
  .map(({ path }) => path)
  .filter((path) => path.includes('{secret}'))
  .map((path) => path.slice(0, path.indexOf('{secret}')));

/** A path as it may be written down: who has a calendar's whole path reads that calendar. */
const withoutSecrets = (path: string): string => {
  // A route is found whatever the case.
  const head = SECRET_PATHS.find((one) => path.toLowerCase().startsWith(one.toLowerCase()));
  return head === undefined ? path : `${head}…`;
};

/** What was asked, as it may be written down: the whole path, wherever in the app that is asked; what was searched for is nobody's. */
export const pathOf = ({ originalUrl }: Pick<Request, 'originalUrl'>): string =>
  withoutSecrets(originalUrl.replace(/[?#].*$/s, ''));
