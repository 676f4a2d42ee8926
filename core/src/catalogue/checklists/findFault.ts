import { WORK } from './works';

/** The work that a complaint or a bad sign raises when nothing says yet what is wrong. */
export const FIND_FAULT = WORK['find-fault'];
