import type { CheckIn, NewCheckIn } from '@hudrik/core/contracts';
import { useSyncExternalStore } from 'react';
import { call, isUnreachable, Refused } from './client';
import { kv } from './kv';
import { queryClient } from './QueryProvider';
import { dropPhoto, readPhoto } from './photoStore';

/**
 * Finished check-ins on their way. A letter is waiting, then either sent (and leaves), or refused (and stays until a person
 * decides). It is written to the device before anything is sent, so a closed tab or a dead battery loses nothing; its id is made
 * here, so sending it twice makes one check-in.
 */
export interface Letter {
  readonly body: NewCheckIn;
  /** The draft that it was made from, so that a refused one can be opened again. */
  readonly draft: unknown;
  readonly state: 'waiting' | 'refused';
  readonly problem?:
    | { readonly code: string; readonly title: string; readonly facts?: Readonly<Record<string, unknown>> | undefined }
    | undefined;
}

const KEY = 'hudrik-outbox';
let letters: readonly Letter[] = [];
const listeners = new Set<() => void>();
const loaded = kv.getItem(KEY).then((text) => {
  letters = text ? (JSON.parse(text) as Letter[]) : [];
  tell();
});

function tell(): void {
  for (const listener of listeners) listener();
}

async function keep(next: readonly Letter[]): Promise<void> {
  letters = next;
  await kv.setItem(KEY, JSON.stringify(next));
  tell();
}

const without = (id: string): readonly Letter[] => letters.filter((letter) => letter.body.id !== id);

/** Puts a check-in on its way. Out: the server's answer, or null when it waits on this device. Throws a refusal. */
export async function post(body: NewCheckIn, draft: unknown): Promise<CheckIn | null> {
  await loaded;
  const letter: Letter = { body, draft, state: 'waiting' };
  await keep([...without(body.id), letter]);
  try {
    return await deliver(letter);
  } catch (error) {
    if (isUnreachable(error)) return null;
    throw error;
  }
}

async function deliver(letter: Letter): Promise<CheckIn> {
  try {
    for (const photoId of letter.body.answers.flatMap((answer) => answer.photos)) await deliverPhoto(photoId);
    const kept = await call('addCheckIn', {
      body: letter.body as never,
      key: letter.body.id + (letter.body.secondLookOf ? '-second' : ''),
    });
    await keep(without(letter.body.id));
    await queryClient.invalidateQueries();
    return kept;
  } catch (error) {
    if (error instanceof Refused) await refused(letter, error);
    throw error;
  }
}

async function refused(letter: Letter, { problem }: Refused): Promise<void> {
  // Signed out is no answer to what was sent: it waits until somebody signs in.
  const state = problem.code === 'not-signed-in' ? 'waiting' : 'refused';
  await keep([
    ...without(letter.body.id),
    { ...letter, state, problem: { code: problem.code, title: problem.title, facts: problem.facts } },
  ]);
}

/** Sends a photo that waits on this device; one that is sent already, or never was here, is left alone. */
export async function deliverPhoto(id: string): Promise<void> {
  const photo = await readPhoto(id);
  if (photo === null) return;
  await call('putPhoto', { params: { id }, raw: { type: photo.type, content: photo } });
  await dropPhoto(id);
}

/** Takes a letter back: the person goes on with it, or gives it up. */
export async function takeBack(id: string): Promise<void> {
  await loaded;
  await keep(without(id));
}

let busy = false;

/** Tries everything that waits, oldest first. Called when the connection or the person comes back, and every so often. */
export async function tryAll(): Promise<void> {
  await loaded;
  if (busy) return;
  busy = true;
  try {
    for (const letter of letters.filter((entry) => entry.state === 'waiting')) await deliver(letter);
  } catch {
    // It stays in the outbox and is tried again.
  } finally {
    busy = false;
  }
}

export function useOutbox(): readonly Letter[] {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => letters,
    () => letters,
  );
}
