import type { LogRecord, SentLogEntry } from '@hudrik/core/contracts';
import { kindOf, momentOf, type KindId } from '@hudrik/core/log';
import type { Actor, Context } from '../context';
import { inTransaction } from '../database/inTransaction';
import type { Trx } from '../database/tables';
import { personById } from '../people/people';
import { refuse } from '../refusal';
import { append, type NewEntry } from './append';
import { changeUnit, type UnitChange } from './changeUnit';
import { placeOf, type Place } from './placeOf';
import { entryById } from './readLog';
import { takerOf } from './takers';

/**
 * Takes an entry into the log. Sent twice it is taken once, and the second answer is the first; an entry that was taken is never answered as
 * refused, whatever has come after it. A lead may send on what another made: both names are kept, and what the maker may counts.
 */
export async function takeEntry(context: Context, sender: Actor, sent: SentLogEntry): Promise<{ entry: LogRecord }> {
  const kind = kindOf(sent.kind);
  if (kind === undefined) return refuse('not-valid', { field: 'kind' });
  const maker = await makerOf(context, sender, sent.madeBy);
  if (!kind.who.includes(maker.role)) return refuse('not-your-role', { role: maker.role, wants: kind.who });
  return inTransaction(context.db, async (trx) => {
    const inside = { ...context, db: trx };
    const place = await placeOf(trx, sent, kind.on);
    const taking = { context: inside, sent, sender, maker, place };
    if (place.unit === null) return takeWithoutUnit(trx, taking);
    return changeUnit(inside, maker, place.unit, (change) => take(taking, change));
  });
}

async function makerOf(context: Context, sender: Actor, madeBy: number | null): Promise<Actor> {
  if (madeBy === null || madeBy === sender.id) return sender;
  if (sender.role !== 'lead') return refuse('not-your-role', { role: sender.role, wants: ['lead'] });
  return (await personById(context.db, madeBy)) ?? refuse('not-found', { person: madeBy });
}

interface Sending {
  readonly context: Context;
  readonly sent: SentLogEntry;
  readonly sender: Actor;
  readonly maker: Actor;
  readonly place: Place;
}

type Change = Omit<UnitChange, 'unit' | 'actor'> & { readonly unit: UnitChange['unit'] | null };

async function take({ context, sent, sender, maker, place }: Sending, change: Change): Promise<{ entry: LogRecord }> {
  const twin = await entryById(change.trx, sent.id);
  if (twin) return isTwin(twin, sent, change) ? { entry: twin.record } : refuse('key-reused', { id: sent.id });
  let entry: LogRecord | undefined;
  const kind = kindOf(sent.kind);
  const { at: said, timing } = momentOf(sent, change.at);
  if (kind?.closes === true && timing !== 'known') return refuse('time-not-known', { timing });
  // On a card minutes are counted: by a time that is not known, none.
  const at = timing !== 'known' && kind?.on === 'job' ? change.at : said;
  await takerOf(sent.kind)({
    context,
    change,
    actor: maker,
    id: sent.id,
    kind: sent.kind,
    at,
    timing,
    facts: sent.facts,
    place: { jobId: sent.jobId, findingId: place.findingId, lineId: sent.lineId },
    record: async (taken) => {
      const fresh = {
        jobId: place.jobId,
        findingId: place.findingId,
        ...taken,
        id: sent.id,
        at: taken.at ?? at,
        timing,
        kind: sent.kind,
        facts: sent.facts,
      };
      entry = await change.append({ ...fresh, sentBy: sender.id === maker.id ? null : sender } as NewEntry<KindId>);
    },
  });
  if (entry === undefined) throw new Error(`${sent.kind} was taken without being written`);
  return { entry };
}

type Known = NonNullable<Awaited<ReturnType<typeof entryById>>>;

const isTwin = ({ record, unitId }: Known, sent: SentLogEntry, { unit }: Change): boolean =>
  record.kind === sent.kind && unitId === (unit?.id ?? null);

/** Of a machine that is not on the yard: there is no unit to lock, the finding is. */
async function takeWithoutUnit(trx: Trx, sending: Sending): Promise<{ entry: LogRecord }> {
  const { context, maker, place } = sending;
  if (place.findingId !== null)
    await trx.selectFrom('finding').select('id').where('id', '=', place.findingId).forUpdate().execute();
  const at = context.now();
  return take(sending, { trx, unit: null, at, append: (entry) => append(trx, null, maker, at, entry) });
}
