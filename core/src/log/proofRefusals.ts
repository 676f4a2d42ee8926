import { JUDGEMENT, type Threshold } from '../catalogue/shapes';
import { entriesOfProof, proofOfEntries, tooSoon } from '../proof';
import { areOfOneDimension, convertValue, isUnit } from '../units';
import { nothingOff } from './refusals';
import type { CardAsked, CardRefusal, Entry } from './shape';

/** The refusals of what is said in a proof. */
export { nothingOff };

/** Each thing that came off belongs to something: by that it is known what to look at. */
export function systemsSaid({ card: { ledger } }: Pick<CardAsked<unknown>, 'card'>): CardRefusal | null {
  const without = ledger.things.filter((thing) => thing.system === undefined).map((thing) => thing.what);
  return without.length > 0 ? { code: 'system-wanted', things: without } : null;
}

/** Before it runs it must be dry, where something of fuel or oil was opened. */
export function dryFirst({ entries, setting, now }: CardAsked<unknown>): CardRefusal | null {
  const { leakLook } = proofOfEntries(entries, setting, now);
  return leakLook === 'dry' || leakLook === 'not-asked' ? null : { code: 'leak-look-first' };
}

export function proofMissing({ entries, setting, now }: CardAsked<unknown>): CardRefusal | null {
  const { missing } = proofOfEntries(entries, setting, now);
  return missing.length > 0 ? { code: 'not-passed', missing } : null;
}

/** A load is one of the class's kinds, with the figure that it was set to. */
export function loadFits({
  facts: { load, figure },
  setting,
}: CardAsked<{
  readonly load: string | null;
  readonly figure?: { readonly value: number; readonly unit: string } | undefined;
}>): CardRefusal | null {
  if (load === null) return null;
  const kind = setting.plan.loads.find((one) => one.id === load);
  if (kind === undefined) return { code: 'no-such-load' };
  const { least, most, unit } = kind.figure;
  const isOfIt = figure !== undefined && isUnit(figure.unit) && areOfOneDimension(figure.unit, unit);
  const value = isOfIt ? convertValue(figure.value, figure.unit, unit) : Number.NaN;
  return value >= least && value <= most ? null : { code: 'load-figure-wanted', least, most, unit };
}

/** What is about a run can be said once there was one. */
export function lookInTime({ entries, facts, setting, at }: CardAsked<{ readonly look: string }>): CardRefusal | null {
  const look = setting.looks.find((one) => one.id === facts.look);
  if (look === undefined) return { code: 'no-such-thing', id: facts.look };
  return tooSoon(look.from ?? 'running', entries, setting, at);
}

export const smokeInTime = ({
  entries,
  facts,
  setting,
  at,
}: CardAsked<{ readonly clear: boolean }>): CardRefusal | null =>
  facts.clear ? tooSoon('running', entries, setting, at) : null;

const factOf = (entry: Entry, name: string): unknown =>
  typeof entry.facts === 'object' && entry.facts !== null ? Reflect.get(entry.facts, name) : undefined;

/** Whether an entry says that this look was not right. */
const saysNotRight = (entry: Entry, look: string): boolean =>
  look === 'leak-look'
    ? entry.kind === 'leak-look' && factOf(entry, 'dry') === false
    : entry.kind === 'proof-look' && factOf(entry, 'look') === look && factOf(entry, 'ok') === false;
const saysRight = (entry: Entry, look: string): boolean =>
  look === 'leak-look'
    ? entry.kind === 'leak-look' && factOf(entry, 'dry') === true
    : entry.kind === 'proof-look' && factOf(entry, 'look') === look && factOf(entry, 'ok') === true;

/** What was said not to be right is right again only by what was done since, on whichever proof of this visit it was said. */
export function whatWasDone(
  { entries, facts }: Pick<CardAsked<{ readonly did?: string | undefined }>, 'entries' | 'facts'>,
  look: string,
): CardRefusal | null {
  const takenBack = new Set(
    entries.filter(({ kind }) => kind === 'answer-taken-back').map((entry) => factOf(entry, 'entryId')),
  );
  const last = entries.findLast(
    (entry) => !takenBack.has(entry.id) && (saysNotRight(entry, look) || saysRight(entry, look)),
  );
  return last !== undefined && saysNotRight(last, look) && facts.did === undefined ? { code: 'done-what' } : null;
}

/** A reading is one that the class takes, in a unit that it can be told in. Without a unit it is the one of the class's list. */
export function readingFits({
  facts: { reading, unit },
  setting,
}: CardAsked<{ readonly reading: string; readonly unit?: string | undefined }>): CardRefusal | null {
  const asked = setting.plan.readings.find((one) => one.id === reading);
  if (asked === undefined) return { code: 'no-such-thing', id: reading };
  const isOfIt = unit === undefined || (isUnit(unit) && areOfOneDimension(unit, asked.unit));
  return isOfIt ? null : { code: 'no-such-unit', wants: asked.unit };
}

/** What the instruments said by themselves was not mistyped: only a lead strikes it out, and says why. */
export function mayCorrectLive({
  entries,
  facts: { insteadOf, why },
  role,
}: CardAsked<{ readonly insteadOf?: string | undefined; readonly why?: string | undefined }>): CardRefusal | null {
  const wrong = insteadOf === undefined ? undefined : entries.find((entry) => entry.id === insteadOf);
  if (wrong === undefined || factOf(wrong, 'live') !== true) return null;
  return role === 'lead' && why !== undefined ? null : { code: 'lead-only', what: 'live-reading' };
}

/** What is done on a card, as it is told. */
const DONE: Readonly<Record<string, string>> = {
  'step-done': 'a step',
  'taken-off': 'what came off',
  'taken-off-again': 'what came off again',
  'put-back': 'what was put back',
  replaced: 'what was replaced',
  'struck-off': 'what stays off',
  'run-started': 'the run',
  'run-stopped': 'the run',
};

/** A signature speaks of what was there when it was given: what was done after that, it has not seen. */
export function signedSince({ entries, at }: Pick<CardAsked<unknown>, 'entries' | 'at'>): CardRefusal | null {
  const since = entries.findLast((entry) => DONE[entry.kind] !== undefined && entry.at > at);
  return since ? { code: 'seen-before', what: DONE[since.kind] ?? '', since: since.at } : null;
}

export const SLIP_SECONDS: Threshold = {
  name: 'A slip of the thumb is taken back within so long; later a technician says that it was all right',
  value: 60,
  unit: 's',
  source: JUDGEMENT,
};
const ANSWERS: ReadonlySet<string> = new Set(['leak-look', 'proof-look', 'smoke']);

type BySomebody = Pick<CardAsked<unknown>, 'entries' | 'at' | 'by'>;

/** Answers of a proof that whoever gave them may take back at a time, the last one last. In: the card's entries, when (ISO 8601), who. */
export function slipsOf({ entries, at, by }: BySomebody): Entry[] {
  const isYoung = (entry: Entry): boolean => Date.parse(at) - Date.parse(entry.at) <= SLIP_SECONDS.value * 1000;
  return entriesOfProof(entries).filter((entry) => ANSWERS.has(entry.kind) && entry.by === by && isYoung(entry));
}

/** An answer is taken back by who gave it, within a minute; later it was all right, or it was put right: a technician says so. */
export const mayTakeBack = (asked: CardAsked<{ readonly entryId: string }>): CardRefusal | null =>
  slipsOf(asked).some((entry) => entry.id === asked.facts.entryId) ? null : { code: 'not-to-take-back' };
