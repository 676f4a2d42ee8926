import { readFigure } from '@hudrik/core/figures';
import { number, string } from 'yup';

const empty = (text: unknown): boolean => typeof text === 'string' && text.trim() === '';

/** A figure as typed, with a point or a comma: "12.5". */
export const figure = () =>
  number().transform((value: number, typed: unknown) =>
    empty(typed) ? undefined : typeof typed === 'string' ? (readFigure(typed) ?? Number.NaN) : value,
  );

/** A whole number as typed. */
export const wholeNumber = () => figure().integer('Enter a whole number.');

/** A price as typed, "12.50", in hundredths. */
export const price = () =>
  number()
    .transform((_: number, typed: unknown) =>
      typeof typed === 'string' && /^\d{1,6}([.,]\d{1,2})?$/.test(typed.trim())
        ? Math.round((readFigure(typed) ?? Number.NaN) * 100)
        : empty(typed)
          ? undefined
          : Number.NaN,
    )
    .typeError('Enter a price, e.g. 12.50.');

/** Some words, trimmed. */
export const words = (least = 1) =>
  string()
    .trim()
    .min(least, least > 1 ? `Write at least ${least} characters.` : 'Fill this in.');
