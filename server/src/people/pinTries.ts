import { waitAfterWrong } from '@hudrik/core/people';
import type { Context } from '../context';
import { refusal, type Refusal } from '../refusal';
import type { Device } from './devices';
import { isPin } from './people';

/** A PIN that is not right, or comes too soon after one that was not. */
interface Tried {
  readonly id: number;
  readonly pin_hash: string;
}

/**
 * Looks whether a PIN is somebody's. Guesses of one person's PIN on one device are taken one after the other, and wait longer and longer; nobody
 * else waits for them. What is wrong is given back, not thrown: that it was tried must be kept. Out: null where it is right.
 */
export async function tryPin(
  { db, now }: Pick<Context, 'db' | 'now'>,
  person: Tried,
  device: Device,
  pin: string,
): Promise<Refusal | null> {
  const pair = { person_id: person.id, device_id: device.id };
  await db
    .insertInto('pin_try')
    .values({ ...pair, last_at: now() })
    .onConflict((conflict) => conflict.columns(['person_id', 'device_id']).doNothing())
    .execute();
  const { wrong, last_at: lastAt } = await db
    .selectFrom('pin_try')
    .select(['wrong', 'last_at'])
    .where('person_id', '=', person.id)
    .where('device_id', '=', device.id)
    .forUpdate()
    .executeTakeFirstOrThrow();
  const seconds = Math.ceil((lastAt.getTime() - now().getTime()) / 1000 + waitAfterWrong(wrong));
  if (wrong > 0 && seconds > 0) return refusal('too-many', { seconds });
  const isRight = await isPin(person.pin_hash, pin);
  await db
    .updateTable('pin_try')
    .set({ wrong: isRight ? 0 : wrong + 1, last_at: now() })
    .where('person_id', '=', person.id)
    .where('device_id', '=', device.id)
    .execute();
  if (isRight) return null;
  await db
    .insertInto('wrong_pin')
    .values({ ...pair, at: now(), told_at: null })
    .execute();
  const next = waitAfterWrong(wrong + 1);
  return refusal('wrong-pin', next > 0 ? { seconds: next } : {});
}
