import { WORKS_ON_UNITS, number, object, text } from '../../fields';
import { logKind, telling } from '../shape';

interface HandedOn {
  readonly to?: string;
}

/** The card is given to a person, with a word of what is next. */
export const handedOn = logKind({
  kind: 'handed-on',
  on: 'job',
  who: WORKS_ON_UNITS,
  facts: object({ to: number().integer().required(), note: text.defined() }),
  card: {
    change: (card, { facts, by, at, outcome }) => ({
      ...card,
      handedOn: { to: facts.to, name: nameIn(outcome), note: facts.note, by, at },
    }),
    visitState: (state) => state,
  },
  sentence: ({ note }, { to }: HandedOn) => telling(`Handed on to ${to ?? 'somebody'}`, note),
});

const nameIn = (outcome: unknown): string | null => {
  const to: unknown = typeof outcome === 'object' && outcome !== null ? Reflect.get(outcome, 'to') : undefined;
  return typeof to === 'string' ? to : null;
};
