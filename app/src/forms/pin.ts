import { sayWeakness, weaknessOfPin } from '@hudrik/core/people';
import { string } from 'yup';

/** A PIN that somebody chooses: what is guessed easily is said before it is sent. */
export const newPin = string()
  .max(200, 'At most 200 characters.')
  .required('Enter a PIN of six figures, or a password.')
  .test('hard-to-guess', (value, { createError, parent }) => {
    const owner: unknown = (parent as { readonly name?: unknown } | undefined)?.name;
    const weakness = weaknessOfPin(value, typeof owner === 'string' ? owner : '');
    return weakness === null || createError({ message: sayWeakness(weakness) });
  });
