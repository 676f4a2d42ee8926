import { STANDING_WORKS } from '../../catalogue/layUp';
import { ITEM_OF_WORK } from '../../catalogue/servicePlans';
import { SIGNS_OFF, number, object, string, name, jobKind } from '../../fields';
import { logKind, telling } from '../shape';

/** Work raised by hand, or by what was found. */
export const jobRaised = logKind({
  kind: 'job-raised',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    kind: jobKind.required(),
    title: name.required(),
    minutes: number().integer().min(1).max(2000).required(),
    /** Work that a counter hangs on, or a lay-up's or a wake-up's: with it, the job is that, and no second one. Without it, work of its own. */
    work: string()
      .oneOf([...Object.keys(ITEM_OF_WORK), ...STANDING_WORKS])
      .optional(),
    blocks: string().oneOf(['hold', 'prep', 'none']).required(),
  }),
  sentence: ({ title }) => telling(`Job raised: ${title}`),
});
