import { kv } from '@/api/kv';
import { newId } from '@/api/newId';
import type { EntryContent, NewItem, On, Who } from './item';

/**
 * What waited on this device in the lists that were kept before there was one outbox: finished check-ins, what was not sent of cards and of
 * findings. Each becomes an item, in the order in which it was made; then the old list goes. Check-ins did not name who made them: somebody
 * must say that one is theirs before it is sent.
 */
export async function importOld(keep: (item: NewItem, photos: readonly string[]) => Promise<unknown>): Promise<void> {
  const keys = (await kv.keys()).sort();
  for (const key of keys) {
    const read = READERS.find(([prefix]) => key.startsWith(prefix))?.[1];
    if (read === undefined) continue;
    const kept = parsed(await kv.getItem(key));
    if (kept === null) continue;
    const { items, left } = read(kept, key);
    for (const { item, photos } of items) await keep(item, photos);
    if (left === null) await kv.removeItem(key);
    else if (items.length > 0) await kv.setItem(key, JSON.stringify(left));
  }
}

/** An entry, and the photos that go ahead of it. */
interface Made {
  readonly item: NewItem;
  readonly photos: readonly string[];
}

interface Imported {
  readonly items: readonly Made[];
  /** What stays under the old key; null: nothing. */
  readonly left: object | null;
}
type Kept = Readonly<Record<string, unknown>>;
type Reader = (kept: unknown, key: string) => Imported;

function parsed(text: string | null): unknown {
  try {
    return text === null ? null : JSON.parse(text);
  } catch {
    return null;
  }
}

const isObject = (value: unknown): value is Kept =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const objects = (value: unknown): readonly Kept[] => (Array.isArray(value) ? value.filter(isObject) : []);
const textIn = (from: Kept, name: string): string => (typeof from[name] === 'string' ? from[name] : '');
const named = (name: string): Who | null => (name === '' ? null : { id: null, name });

const entry = (id: string, kind: string, facts: object, on: On, made: { by: string; at: string }): NewItem => ({
  id,
  what: 'entry',
  // Of an earlier version: the server says whether it still knows it.
  kind: kind as EntryContent['kind'],
  facts,
  on,
  maker: named(made.by),
  madeAt: made.at,
});

/** "hudrik-outbox": finished check-ins. */
function fromLetters(kept: unknown): Imported {
  const items: Made[] = [];
  for (const letter of objects(kept)) {
    if (!isObject(letter['body'])) continue;
    const { id, tag, ...facts } = letter['body'];
    if (typeof id !== 'string' || typeof tag !== 'string') continue;
    const made = { by: '', at: textIn(facts, 'startedAt') };
    const item = { ...entry(id, 'check-in', facts, { tag }, made), draft: letter['draft'] };
    const ids = objects(facts['answers']).flatMap((answer) =>
      Array.isArray(answer['photos']) ? answer['photos'] : [],
    );
    items.push({ item, photos: ids.map(String) });
  }
  return { items, left: null };
}

/** What kinds and facts of a card were called. */
const CARD_KINDS: Readonly<Record<string, string>> = {
  'off-again': 'taken-off-again',
  struck: 'struck-off',
  marked: 'photo-marked',
  waits: 'paused',
  'goes-on': 'resumed',
};
const renamed = ({ says, ...facts }: Kept): object => (says === undefined ? facts : { ...facts, title: says });

/** "hudrik-card-7": what was not sent of a card. */
function fromCard(kept: unknown, key: string): Imported {
  const on = { jobId: key.slice(CARD.length) };
  const items: Made[] = [];
  for (const one of objects(isObject(kept) ? kept['unsent'] : null)) {
    const made = isObject(one['entry']) ? one['entry'] : {};
    const [id, kind, facts] = [textIn(made, 'id'), textIn(made, 'kind'), made['facts']];
    if (id === '' || kind === '' || !isObject(facts)) continue;
    const item = entry(id, CARD_KINDS[kind] ?? kind, renamed(facts), on, {
      by: textIn(made, 'by'),
      at: textIn(made, 'at'),
    });
    items.push({ item, photos: kind === 'photo' ? [textIn(facts, 'photoId')] : [] });
  }
  return { items, left: null };
}

/** "hudrik-finding-GE-07": what was not sent of a finding. Which finding it is stays known. */
function fromFinding(kept: unknown, key: string): Imported {
  const finding = isObject(kept) ? kept : {};
  const id = textIn(finding, 'id');
  const unsent = objects(finding['entries']).filter((one) => one['sent'] === false);
  const left = id === '' ? null : { id };
  if (id === '' || finding['entries'] === undefined) return { items: [], left };
  const tag = key === `${FINDING}by-itself` ? undefined : key.slice(FINDING.length);
  const by = { by: textIn(unsent[0] ?? {}, 'by'), at: textIn(unsent[0] ?? {}, 'at') || new Date().toISOString() };
  const on = { findingId: id, ...(tag ? { tag } : {}) };
  const begun = finding['opened'] !== true && unsent.length > 0;
  const machine = { machine: finding['machine'] };
  const items = [
    ...(begun ? [entry(id, 'finding-opened', machine, tag ? { tag } : {}, by)] : []),
    ...(!begun && finding['machineUnsent'] === true ? [entry(newId(), 'machine-described', machine, on, by)] : []),
    ...unsent.map((one) =>
      entry(textIn(one, 'id'), textIn(one, 'kind'), observed(one), on, {
        by: textIn(one, 'by'),
        at: textIn(one, 'at'),
      }),
    ),
  ];
  return { left, items: items.map((item) => ({ item, photos: [] })) };
}

function observed(one: Kept): object {
  if (one['kind'] === 'repaired') return { fault: one['fault'] };
  const { observation, outcomes, reading } = one;
  return one['kind'] === 'seen' ? { observation, outcomes, reading: reading ?? null } : { observation };
}

const CARD = 'hudrik-card-';
const FINDING = 'hudrik-finding-';
const READERS: readonly (readonly [prefix: string, reader: Reader])[] = [
  ['hudrik-outbox', fromLetters],
  [CARD, fromCard],
  [FINDING, fromFinding],
];
