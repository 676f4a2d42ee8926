import { SIGNS_OFF, array, mixed, object, text } from '../../fields';
import { logKind, telling } from '../shape';
import { faultName } from '../observed';
import { faultId } from '../schemas';

const isIdsByName = (value: unknown): boolean =>
  typeof value === 'object' &&
  value !== null &&
  Object.values(value).every((ids: unknown) => Array.isArray(ids) && ids.every((one) => typeof one === 'string'));

/** What was wrong is confirmed: the finding is closed onto its job. */
export const causesConfirmed = logKind({
  kind: 'causes-confirmed',
  on: 'finding',
  who: SIGNS_OFF,
  facts: object({
    causes: array(faultId.required())
      .min(1)
      .max(8)
      .required()
      .test('twice', 'The same cause twice.', (causes) => new Set(causes).size === causes.length),
    note: text.defined(),
    /** Which of what was told each explains, where a person says it otherwise than proposed: ids of told defects by cause. */
    explains: mixed<Readonly<Record<string, readonly string[]>>>()
      .test('explains', 'Ids by cause.', (value) => value === undefined || isIdsByName(value))
      .optional(),
  }),
  finding: () => ({ kind: 'nothing' }),
  sentence: ({ causes, note }) => telling(`Found: ${causes.map(faultName).join('; ').toLowerCase()}`, note),
});
