import type { AnyObjectSchema, Schema } from 'yup';
import type { Role } from '../../fields';
import { ROUTES, type OperationId } from '../routes';

export interface Operation {
  readonly method: 'get' | 'post' | 'patch' | 'put' | 'delete';
  /** OpenAPI style: /api/units/{tag}. */
  readonly path: string;
  readonly summary: string;
  /** On any device that was let in: whoever, or those roles. From anywhere: what lets a device in, and what has a secret of its own. */
  readonly who: 'anywhere' | 'public' | readonly Role[];
  /** Nothing of the records is asked before it: it tells whether they can be reached. */
  readonly isAskedBlind?: boolean;
  readonly query?: AnyObjectSchema;
  readonly body?: AnyObjectSchema;
  /** So many bytes a JSON body may have; without it, as many as is usual. */
  readonly bytes?: number;
  /** A body that is not JSON: its media types. */
  readonly raw?: readonly string[];
  readonly reply: Schema;
  readonly status?: number;
  /** The reply is a secret: it is kept nowhere, and asked for again it is made anew. */
  readonly isSecret?: boolean;
  /** The reply carries an ETag, and the change wants it back in If-Match. */
  readonly ifMatch?: boolean;
}

/** A body that is a PIN, and little besides. */
export const PIN_BYTES = 1024;
/** A whole list, or a whole sheet. */
export const LIST_BYTES = 1_000_000;

/** A call with where it goes. */
export const operation = <const O extends Omit<Operation, 'method' | 'path'>, Id extends OperationId>(
  id: Id,
  entry: O,
): O & (typeof ROUTES)[Id] => ({ ...entry, ...ROUTES[id] });
