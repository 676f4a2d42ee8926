import { boolean, mixed, object, name, text } from '../../fields';
import { logKind, telling } from '../shape';

interface Changed {
  readonly rated?: object | undefined;
  readonly serial?: string | undefined;
  readonly homeBay?: string | undefined;
  readonly laidUp?: boolean | undefined;
  readonly gone?: { readonly why: string; readonly scrapped?: boolean | undefined } | null | undefined;
}

function changeName({ rated, serial, homeBay, laidUp, gone }: Changed): string {
  if (laidUp !== undefined) return laidUp ? 'Laid up' : 'Woken up';
  if (gone) return `${gone.scrapped === true ? 'Scrapped' : 'Gone'}: ${gone.why}`;
  if (gone === null) return 'Back on the yard';
  return `Changed: ${[rated && 'its rated figures', serial && `serial ${serial}`, homeBay && `bay ${homeBay}`].filter(Boolean).join(', ')}`;
}

/** What a lead changed by hand. */
export const unitChanged = logKind({
  kind: 'unit-changed',
  on: 'unit',
  who: [],
  facts: object({
    rated: mixed<Readonly<Record<string, number | string | undefined>>>().optional(),
    serial: name.optional(),
    homeBay: name.optional(),
    laidUp: boolean().optional(),
    gone: object({ why: text.min(1).required(), scrapped: boolean().optional() })
      .nullable()
      .optional()
      .default(undefined),
  }),
  sentence: (facts) => telling(changeName(facts)),
});
