import type { RaisedWork } from '../shapes';

/** The work that a complaint or a bad sign raises when nothing says yet what is wrong. */
export const FIND_FAULT: RaisedWork = { kind: 'repair', work: 'find-fault', title: 'Find the fault', minutes: 45 };
