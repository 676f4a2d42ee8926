import type { Context } from '../context';
import { readSettings } from '../people/settings';
import { cutTags } from './cutTags';

/** A sheet of labels to cut out: each unit's tag, what it is, whose it is, and the code that opens it. */
export async function labelsPdf({ db, paper }: Context, origin: string): Promise<Buffer> {
  const units = await db
    .selectFrom('unit as u')
    .innerJoin('model as m', 'm.id', 'u.model_id')
    .select(['u.tag', 'u.serial', 'm.make', 'm.name'])
    .where('u.gone_at', 'is', null)
    .orderBy('u.tag')
    .execute();
  const { yard, place } = await readSettings(db);
  return paper.make({
    title: 'Labels',
    content:
      units.length === 0
        ? ['There are no units yet.']
        : cutTags(
            units.map(({ tag, serial, make, name }) => ({
              ...{ tag, title: `${make} ${name}`, lines: [serial, ...(place === '' ? [] : [`${yard}, ${place}`])] },
              link: `${origin}/u/${tag}`,
            })),
          ),
  });
}
