import type { JobRow } from '../database/tables';

const BY_LOOK: readonly JobRow['kind'][] = ['prep', 'lay-up'];

/** A prep or lay-up ends with a look; everything else ends with a run under load that passed. */
export const endsWithALook = (kind: JobRow['kind']): boolean => BY_LOOK.includes(kind);
