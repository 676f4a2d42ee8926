import { LAY_UP_METHODS, type LayUpMethodId } from '../../catalogue';
import { SIGNS_OFF, boolean, number, object, text } from '../../fields';
import { logKind, telling } from '../shape';

interface Woke {
  readonly method?: LayUpMethodId;
  readonly days?: number;
}

/** A laid-up unit is woken: how it started, and whether it wanted a fuel repair. */
export const woken = logKind({
  kind: 'woken',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    /** At the nth pull or turn of the key; null: it did not. */
    pulls: number().integer().min(1).max(99).nullable().defined(),
    wantsFuelRepair: boolean().required(),
    needed: text.default(''),
  }),
  sentence: ({ pulls, wantsFuelRepair, needed }, { method, days }: Woke) =>
    telling(
      pulls === null ? 'Woken: it did not start' : `Woken: started at pull ${pulls}`,
      [method && LAY_UP_METHODS[method].name, days !== undefined && `${Math.round(days)} days`]
        .filter(Boolean)
        .join(', '),
      wantsFuelRepair ? 'It wants a fuel repair.' : '',
      needed,
    ),
});
