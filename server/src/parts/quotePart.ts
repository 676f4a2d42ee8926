import { todaysNumber } from '@hudrik/core/parts';
import type { Quote } from '@hudrik/core/contracts';
import type { Context } from '../context';
import { refuse } from '../refusal';
import { readSupersessions } from './shelf';

/** What the supplier says of a part. A number that it has replaced is followed, and the replacement is kept for ever after. */
export async function quotePart({ db, supplier }: Context, asked: string): Promise<Quote> {
  const number = asked.trim().toUpperCase();
  if (!/^[A-Z0-9][A-Z0-9.\-/ ]{1,39}$/.test(number)) return refuse('not-valid', { field: 'number' });
  const own = todaysNumber(number, await readSupersessions(db));
  if (!own.ok) return refuse('parts-tangled', { problem: own.problem });
  const through = [...own.through];
  let at = own.number;
  for (;;) {
    const answer = await supplier.quote(at);
    if (!answer.ok)
      return {
        asked: number,
        number: at,
        through,
        name: null,
        obtainable: false,
        cents: null,
        leadDays: null,
        problem: answer.code === 'refused' ? 'not-known' : answer.code,
      };
    const { supersededBy, name, obtainable, cents, leadDays } = answer.value;
    if (supersededBy === null || through.includes(supersededBy) || supersededBy === at)
      return { asked: number, number: at, through, name, obtainable, cents, leadDays, problem: null };
    await db
      .insertInto('supersession')
      .values({ old_number: at, by_number: supersededBy })
      .onConflict((conflict) => conflict.doNothing())
      .execute();
    through.push(at);
    at = supersededBy;
  }
}
