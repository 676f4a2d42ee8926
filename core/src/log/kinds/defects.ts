import { DEFECT_WEIGHTS } from '../../defects';
import {
  LEAD_ONLY,
  SIGNS_OFF,
  WORKS_ON_UNITS,
  boolean,
  id,
  number,
  object,
  reasonText,
  string,
  trimmed,
} from '../../fields';
import { RATING_IDS } from '../../catalogue/shapes';
import { witnessed } from '../schemas';
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

/** Who looked besides; or that nobody else was there. */
export interface Witnessed {
  readonly second?: { readonly id: number; readonly name: string };
  readonly alone?: boolean;
}

/** How a signature tells of its second person. */
export const saySecond = ({ second, alone }: Witnessed): string | false =>
  second ? `Second person: ${second.name}` : alone === true && 'Alone: nobody else was there';

interface Closed extends Witnessed {
  /** What the defect says. */
  readonly sentence?: string;
  /** It was said of a time that is not known, or too long ago: it closed nothing. */
  readonly closesNothing?: string;
}

/**
 * A defect is no more: it was put right, or it was no defect. Who says so has looked, in the defect’s own words, and says why. Where what puts it
 * right asks a proof, a look can only say that it was all right.
 */
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
    ...witnessed,
  }),
  sentence: ({ how, ...facts }, { sentence, closesNothing, ...who }: Closed) =>
    telling(
      `${how === 'put-right' ? 'Put right' : 'Was all right'}: ${sentence ?? 'a defect'}`,
      facts.why,
      saySecond(who),
      closesNothing !== undefined && 'It closed nothing: when it was seen is not known.',
    ),
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
  closes: true,
  sentence: ({ watch, ...facts }, { sentence }: LivedWith) =>
    telling(`Lived with: ${sentence ?? 'a defect'}`, facts.why, `Watch: ${watch}`),
});

interface NotFitted extends Witnessed {
  readonly words?: string;
}

/**
 * This unit has not got what a check looks at, a lead says, with a photo of it taken for that and where it is known from. Where the check has
 * found it missing, a second person says so too. Or of a thing that stays off: it is none of this unit's.
 */
export const notFitted = logKind({
  kind: 'not-fitted',
  on: 'unit',
  who: LEAD_ONLY,
  facts: object({
    /** The check; of a thing that stays off, the id of its defect. */
    check: string().max(60).required(),
    why: reasonText.required(),
    photoId: id.nullable().defined(),
    /** Where it is known from: the maker's book, the plate, the parts list. Older ones do not say. */
    source: trimmed.max(200).optional(),
    ...witnessed,
  }),
  closes: true,
  sentence: ({ source, ...facts }, { words, ...who }: NotFitted) =>
    telling(
      `Not on this unit: ${words ?? 'a check'}`,
      facts.why,
      source !== undefined && `Known from: ${source}`,
      saySecond(who),
    ),
});

/** It is on this unit after all: a lead takes it back, and the check is asked again. */
export const fittedAfterAll = logKind({
  kind: 'fitted-after-all',
  on: 'unit',
  who: LEAD_ONLY,
  facts: object({ check: string().max(60).required(), why: reasonText.required() }),
  sentence: (facts, { words }: NotFitted) => telling(`On this unit after all: ${words ?? 'a check'}`, facts.why),
});

interface Countersigned {
  /** What was done alone, as it is told. */
  readonly title?: string;
  readonly by?: string;
}

/** What somebody did alone where a second person was wanted: the next one says whether they agree. If not, it holds the unit. */
export const countersigned = logKind({
  kind: 'countersigned',
  on: 'unit',
  who: WORKS_ON_UNITS,
  facts: object({ entryId: id.required(), agrees: boolean().required(), why: reasonText.optional() }),
  sentence: ({ agrees, ...facts }, { title, by }: Countersigned) =>
    telling(
      `${agrees ? 'Countersigned' : 'Not agreed'}: ${title ?? 'what was done alone'}`,
      by !== undefined && `Done by ${by}`,
      facts.why,
    ),
});

interface JudgedAnew {
  readonly found?: readonly string[];
}

/** A rated figure was confirmed: what was measured last is held against it. */
export const judgedAnew = logKind({
  kind: 'judged-anew',
  on: 'unit',
  who: [],
  facts: object({ rating: string().oneOf(RATING_IDS).required(), entryId: id.required() }),
  sentence: ({ rating }, { found = [] }: JudgedAnew) =>
    telling(`Judged anew by a confirmed figure: ${rating.replaceAll('-', ' ')}`, ...found),
});

interface Confirmed extends Witnessed {
  readonly name?: string;
  /** Units that were judged anew by it, and what was found so. */
  readonly judgedAnew?: readonly { readonly tag: string; readonly sentence: string }[];
}

/** A rated figure that was changed stands so on the plate, or in the maker's sheet where the plate cannot be read: a second person, a lead, says so. */
export const figureConfirmed = logKind({
  kind: 'figure-confirmed',
  on: 'unit',
  who: LEAD_ONLY,
  facts: object({
    rating: string().oneOf(RATING_IDS).required(),
    of: string().oneOf(['unit', 'model']).required(),
    value: number().required(),
    from: string().oneOf(['plate', 'makers-sheet']).required(),
    photoId: id.required(),
    ...witnessed,
  }),
  closes: true,
  sentence: ({ value, from, of, rating }, { name, judgedAnew = [], ...who }: Confirmed) =>
    telling(
      `Figure confirmed: ${name ?? rating.replaceAll('-', ' ')} ${value}, of ${of === 'unit' ? 'this unit' : 'its model'}`,
      from === 'plate' ? 'Read from the plate' : 'The plate cannot be read: by the maker’s sheet',
      saySecond(who),
      ...judgedAnew.map((one) => `${one.tag}: ${one.sentence}`),
    ),
});
