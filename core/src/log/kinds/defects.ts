import { DEFECT_WEIGHTS } from '../../defects';
import {
  LEAD_ONLY,
  SIGNS_OFF,
  WORKS_ON_UNITS,
  boolean,
  id,
  number,
  object,
  string,
  trimmed,
  reasonText,
} from '../../fields';
import { logKind, telling } from '../shape';

/** Something wrong, seen and written down by hand: whether it can hurt somebody is asked. */
export const defectFound = logKind({
  kind: 'defect-found',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({
    sentence: trimmed.min(3).max(200).required(),
    weight: string().oneOf(DEFECT_WEIGHTS).required(),
    safety: boolean().required(),
  }),
  sentence: ({ sentence, safety }) => telling(`Found: ${sentence}`, safety && 'It can hurt somebody.'),
});

interface Closed {
  /** What the defect says. */
  readonly sentence?: string;
}

/** A defect is no more: it was put right, or it was no defect. Who says so has looked, in the defect’s own words, and says why. */
export const defectClosed = logKind({
  kind: 'defect-closed',
  on: 'unit',
  who: SIGNS_OFF,
  facts: object({
    defectId: id.required(),
    how: string().oneOf(['put-right', 'was-all-right']).required(),
    why: reasonText.required(),
    /** What was measured at the look. */
    measured: object({ value: number().min(-1e6).max(1e6).required(), unit: string().max(12).required() })
      .optional()
      .default(undefined),
  }),
  sentence: ({ how, why }, { sentence }: Closed) =>
    telling(`${how === 'put-right' ? 'Put right' : 'Was all right'}: ${sentence ?? 'a defect'}`, why),
});

interface LivedWith {
  readonly sentence?: string;
}

/** Worn but usable: a lead decides to live with it, and says what to watch. Each check-in asks about it. */
export const livedWith = logKind({
  kind: 'lived-with',
  on: 'unit',
  who: LEAD_ONLY,
  facts: object({ defectId: id.required(), why: reasonText.required(), watch: reasonText.required() }),
  sentence: ({ why, watch }, { sentence }: LivedWith) =>
    telling(`Lived with: ${sentence ?? 'a defect'}`, why, `Watch: ${watch}`),
});

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
    why: reasonText.required(),
    photoId: id.nullable().defined(),
  }),
  sentence: ({ why }, { words }: NotFitted) => telling(`Not fitted to this unit: ${words ?? 'a check'}`, why),
});
