import { WORKS_ON_UNITS, object, string, text } from '../../fields';
import { logKind, telling } from '../shape';

/** It was tried, and how it went. */
export const trialStart = logKind({
  kind: 'trial-start',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ how: string().oneOf(['ran', 'ran-badly', 'did-not-start']).required(), note: text.defined() }),
  card: { change: (card, entry) => ({ ...card, trials: [...card.trials, entry] }) },
  sentence: ({ how, note }) => telling(`Trial start: ${how.replaceAll('-', ' ')}`, note),
});
