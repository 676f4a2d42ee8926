import { LAY_UP_METHODS, type LayUpMethodId } from '@hudrik/core/catalogue';
import type { Context } from '../context';
import { readSettings } from '../people/settings';
import { cutTags, type CutTag } from '../printing/cutTags';
import { writingOf } from '../printing/writing';
import { nameOf, readLayUp } from './readLayUp';
import { sheetOf } from './seasonSheet';

const BLANK = '____________________';

/** A tag to hang on each: how it stands, since when, with what in it, and how it is woken. */
export async function layUpTags(context: Context, origin: string): Promise<Buffer> {
  const [layUp, settings] = await Promise.all([readLayUp(context), readSettings(context.db)]);
  const { day } = writingOf(settings);
  const sheet = await sheetOf(context, layUp);
  const tagOf = (tag: string, method: LayUpMethodId | null, lines: readonly string[]): CutTag => ({
    ...{ tag, link: `${origin}/u/${tag}` },
    title: method === null ? 'Laid up' : nameOf(method),
    lines: [
      ...lines,
      `To wake: ${(method === null ? ['Look at it first'] : LAY_UP_METHODS[method].wakes).join('. ')}.`,
    ],
  });
  const standing = layUp.units.flatMap(({ tag, laidUp }) =>
    laidUp === null ? [] : [tagOf(tag, laidUp.method, [`Stands since ${day(laidUp.since).slice(0, 10)}`])],
  );
  const coming = sheet.lines.map(({ tag, method, days, litres, fuel, stabiliserMl }) =>
    tagOf(tag, method, [
      fuel === null
        ? 'No fuel in it'
        : `${litres} l of ${fuel}${stabiliserMl > 0 ? `, ${stabiliserMl} ml of stabiliser` : ''}`,
      `Stands about ${days} days from ${BLANK}`,
      `Laid up by ${BLANK}`,
    ]),
  );
  const tags = [...coming, ...standing];
  return context.paper.make({
    title: 'Lay-up tags',
    content: tags.length === 0 ? ['Nothing stands, and nothing is to be laid up now.'] : cutTags(tags),
  });
}
