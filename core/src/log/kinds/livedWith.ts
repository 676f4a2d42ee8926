import { LEAD_ONLY, id, object, text } from '../../fields';
import { logKind, telling } from '../shape';

interface LivedWith {
  readonly sentence?: string;
}

/** Worn but usable: a lead decides to live with it, and says what to watch. Each check-in asks about it. */
export const livedWith = logKind({
  kind: 'lived-with',
  on: 'unit',
  who: LEAD_ONLY,
  facts: object({ defectId: id.required(), why: text.min(3).required(), watch: text.min(3).required() }),
  sentence: ({ why, watch }, { sentence }: LivedWith) =>
    telling(`Lived with: ${sentence ?? 'a defect'}`, why, `Watch: ${watch}`),
});
