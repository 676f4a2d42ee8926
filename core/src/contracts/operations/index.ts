import { ACCESS_OPERATIONS } from './access';
import { YARD_OPERATIONS } from './yard';
import { FLEET_OPERATIONS } from './fleet';
import { HIRES_OPERATIONS } from './hires';
import { WORKSHOP_OPERATIONS } from './workshop';
import { PLANNING_OPERATIONS } from './planning';
import { PARTS_OPERATIONS } from './parts';
import { STANDING_OPERATIONS } from './standing';
import { EXCHANGE_OPERATIONS } from './exchange';
import type { OperationId } from '../routes';
import type { Operation } from './operation';

export type { Operation };

/** Every call of the API. Server, app client and the OpenAPI document are made from this table. */
export const OPERATIONS = {
  ...YARD_OPERATIONS,
  ...ACCESS_OPERATIONS,
  ...FLEET_OPERATIONS,
  ...HIRES_OPERATIONS,
  ...WORKSHOP_OPERATIONS,
  ...PLANNING_OPERATIONS,
  ...PARTS_OPERATIONS,
  ...EXCHANGE_OPERATIONS,
  ...STANDING_OPERATIONS,
} as const satisfies Readonly<Record<OperationId, Operation>>;
