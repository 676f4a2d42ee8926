import { mixed, ValidationError, type InferType } from 'yup';
import type { Frozen } from '../fields/frozen';
import { id, instant, number, object, string, tag } from '../fields';
import { kindOf, LOG_KIND_IDS, type KindId, type SentKind } from './entries';
import { LOG_KINDS } from './kinds';
import { rowId } from './schemas';

const isSent = (kind: KindId): kind is SentKind => LOG_KINDS[kind].who.length > 0;
const SENT_KINDS = LOG_KIND_IDS.filter(isSent);

/**
 * Something that happened, as a device sends it. Its id is made where it happened: sent twice it is taken once. `at` is when, by the
 * device. It hangs on a unit, a job, a finding or a wanted part, as its kind says; the facts are checked by their kind, and what is not
 * named there is refused.
 */
export const newLogEntry = object({
  id: id.required(),
  kind: string().oneOf(SENT_KINDS).required(),
  at: instant.optional(),
  /** Milliseconds that the server's clock was ahead of the device's, as it was measured last and is in `at`; null: it never was. */
  offsetMs: number().integer().min(-1e12).max(1e12).nullable().default(null),
  tag: tag.nullable().default(null),
  jobId: rowId.nullable().default(null),
  findingId: id.nullable().default(null),
  lineId: id.nullable().default(null),
  facts: mixed<object>().required(),
})
  .noUnknown()
  .test('facts', 'The facts do not go with this kind of entry.', (entry, context) => {
    const kind = kindOf(entry.kind);
    if (kind === undefined) return true;
    try {
      kind.facts.noUnknown().validateSync(entry.facts, { strict: true, abortEarly: false });
      return true;
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      return context.createError({ path: 'facts', message: error.errors.join(' ') });
    }
  });
export type NewLogEntry = Frozen<InferType<typeof newLogEntry>>;
