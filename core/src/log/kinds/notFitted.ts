import { LEAD_ONLY, id, object, string, text } from '../../fields';
import { logKind, telling } from '../shape';

interface NotFitted {
  readonly words?: string;
}

/** This unit has not got what a check looks at. For a safety check with a photo. */
export const notFitted = logKind({
  kind: 'not-fitted',
  on: 'unit',
  who: LEAD_ONLY,
  facts: object({
    check: string().max(60).required(),
    why: text.min(3).required(),
    photoId: id.nullable().defined(),
  }),
  sentence: ({ why }, { words }: NotFitted) => telling(`Not fitted to this unit: ${words ?? 'a check'}`, why),
});
