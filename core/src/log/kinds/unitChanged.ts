import { boolean, mixed, number, object, name, text } from '../../fields';
import { LEAST_SEVERITY } from '../../service';
import { logKind, telling } from '../shape';

interface Changed {
  readonly rated?: object | undefined;
  readonly serial?: string | undefined;
  readonly homeBay?: string | undefined;
  readonly severity?: number | undefined;
  readonly laidUp?: boolean | undefined;
  readonly gone?: { readonly why: string; readonly scrapped?: boolean | undefined } | null | undefined;
}

/** Example: Changed: serial S-2, serviced after 50 in 100 of the hours. */
function changeName({ rated, serial, homeBay, severity, laidUp, gone }: Changed): string {
  if (laidUp !== undefined) return laidUp ? 'Laid up' : 'Woken up';
  if (gone) return `${gone.scrapped === true ? 'Scrapped' : 'Gone'}: ${gone.why}`;
  if (gone === null) return 'Back on the yard';
  return `Changed: ${[rated && 'its rated figures', serial && `serial ${serial}`, homeBay && `bay ${homeBay}`, severity && saySeverity(severity)].filter(Boolean).join(', ')}`;
}

const saySeverity = (severity: number): string =>
  severity === 1
    ? 'serviced as its model is'
    : `serviced after ${Math.round(severity * 100)} in 100 of its model’s hours`;

/** What a lead changed by hand. */
export const unitChanged = logKind({
  kind: 'unit-changed',
  on: 'unit',
  who: [],
  facts: object({
    rated: mixed<Readonly<Record<string, number | string | undefined>>>().optional(),
    serial: name.optional(),
    homeBay: name.optional(),
    severity: number().min(LEAST_SEVERITY).max(1).optional(),
    laidUp: boolean().optional(),
    gone: object({ why: text.min(1).required(), scrapped: boolean().optional() })
      .nullable()
      .optional()
      .default(undefined),
  }),
  sentence: (facts) => telling(changeName(facts)),
});
