import { CLOCKS, type ClockKind } from '@hudrik/core/catalogue';

type Facts = Readonly<Record<string, unknown>>;
interface Said {
  readonly title: string;
  readonly lines: readonly string[];
}

const text = (facts: Facts, name: string): string => String(facts[name] ?? '');
const under = (facts: Facts, name: string): string[] => (facts[name] ? [text(facts, name)] : []);
const part = (facts: Facts): string => `${text(facts, 'count')} × ${text(facts, 'number')} ${text(facts, 'part')}`;
const OF_READING = ['value', 'supply', 'cylinder', 'intake', 'exhaust', 'unit'];
const given = (facts: Facts): string =>
  Object.entries((facts['given'] as Facts | undefined) ?? {})
    .filter(([name]) => OF_READING.includes(name))
    .map(([, value]) => String(value))
    .join(' ');
const result = (facts: Facts): string =>
  (Object.values(CLOCKS) as ClockKind[]).map((kind) => kind.results[text(facts, 'result')]?.[0]).find(Boolean) ??
  'stopped';

/** What happened on a job's card and with its parts, in words. */
export const SAY_CARD: Readonly<Record<string, (facts: Facts) => Said>> = {
  'card-step-added': (facts) => ({ title: `Step added: ${text(facts, 'title')}`, lines: [] }),
  'card-step-changed': (facts) => ({ title: `Step changed: ${text(facts, 'title')}`, lines: [] }),
  'card-step-done': (facts) => ({ title: `Done: ${text(facts, 'step') || 'a step'}`, lines: [] }),
  'card-step-undone': (facts) => ({ title: `Open again: ${text(facts, 'step') || 'a step'}`, lines: [] }),
  'card-step-dropped': (facts) => ({
    title: `Not done: ${text(facts, 'step') || 'a step'}`,
    lines: under(facts, 'why'),
  }),
  'card-hands-on': () => ({ title: 'Hands on', lines: [] }),
  'card-hands-off': () => ({ title: 'Hands off', lines: [] }),
  'card-note': (facts) => ({ title: 'Note on the card', lines: under(facts, 'text') }),
  'card-photo': () => ({ title: 'Photo taken', lines: [] }),
  'card-marked': () => ({ title: 'Photo marked', lines: [] }),
  'card-teardown-begun': (facts) => ({
    title: `Taking apart: ${text(facts, 'teardown').replaceAll('-', ' ')}`,
    lines: [],
  }),
  'card-taken-off': (facts) => ({
    title: `Off: ${text(facts, 'what')}`,
    lines: [`Tray ${text(facts, 'tray')}, ${text(facts, 'place')}`],
  }),
  'card-thing-changed': (facts) => ({
    title: `How it sat: ${text(facts, 'what')}`,
    lines: under(facts, 'orientation'),
  }),
  'card-put-back': (facts) => ({ title: `Back on: ${text(facts, 'what')}`, lines: [] }),
  'card-off-again': (facts) => ({ title: `Off again: ${text(facts, 'what')}`, lines: [] }),
  'card-replaced': (facts) => ({
    title: `${facts['forTrial'] ? 'For the trial only' : 'Replaced'}: ${text(facts, 'what')}`,
    lines: [`By ${text(facts, 'part')}`],
  }),
  'card-struck': (facts) => ({ title: `Stays as it is: ${text(facts, 'what')}`, lines: under(facts, 'why') }),
  'card-reading': (facts) => ({
    title: `${text(facts, 'reading').replaceAll('-', ' ')} ${text(facts, 'when')}: ${given(facts)}`,
    lines: [text(facts, 'outcome').replaceAll('-', ' ')],
  }),
  'card-trial-start': (facts) => ({
    title: `Trial start: ${text(facts, 'how').replaceAll('-', ' ')}`,
    lines: under(facts, 'note'),
  }),
  'card-waits': (facts) => ({ title: `Put aside for a ${text(facts, 'for')}`, lines: under(facts, 'why') }),
  'card-goes-on': () => ({ title: 'Gone on with', lines: [] }),
  'card-woken': () => ({ title: 'The last part is there: gone on with', lines: [] }),
  'card-clock-started': (facts) => ({
    title: `${text(facts, 'clock')}: ${text(facts, 'minutes')} min begun`,
    lines: [],
  }),
  'card-clock-ended': (facts) => ({ title: `${text(facts, 'clock')}: ${result(facts).toLowerCase()}`, lines: [] }),
  'card-decided': (facts) => ({
    title: `Decided: ${text(facts, 'way').replaceAll('-', ' ')}`,
    lines: under(facts, 'why'),
  }),
  'card-to-proof': () => ({ title: 'To the proof', lines: [] }),
  'card-back-to-bench': () => ({ title: 'Back to the bench', lines: [] }),
  'card-leak-look': (facts) => ({ title: facts['dry'] ? 'Fuel on: dry' : 'It leaks', lines: [] }),
  'card-proof-load': (facts) => ({
    title: facts['load'] ? `Load: ${text(facts, 'load').replaceAll('-', ' ')}` : 'Unloaded',
    lines: [],
  }),
  'card-smoke': (facts) => ({ title: facts['clear'] ? 'Exhaust clear' : 'It smokes', lines: [] }),
  'card-run-started': () => ({ title: 'Run begun', lines: [] }),
  'card-run-stopped': () => ({ title: 'Run stopped', lines: [] }),
  'card-proof-reading': (facts) => ({
    title: `Proof reading, ${text(facts, 'reading').replaceAll('-', ' ')}: ${text(facts, 'value')}`,
    lines: facts['live'] ? ['By the instruments'] : [],
  }),
  'card-proof-look': (facts) => ({
    title: `${text(facts, 'look').replaceAll('-', ' ')}: ${facts['ok'] ? 'right' : 'not right'}`,
    lines: [],
  }),
  'card-proved': (facts) => ({ title: facts['passed'] ? 'Proven' : 'The proof failed', lines: under(facts, 'note') }),
  'part-wanted': (facts) => ({ title: `Part wanted: ${part(facts)}`, lines: [] }),
  'part-reserved': (facts) => ({ title: `Part reserved: ${part(facts)}`, lines: [] }),
  'part-ordered': (facts) => ({ title: `Part ordered: ${part(facts)}`, lines: [] }),
  'part-late': (facts) => ({ title: `Part late: ${part(facts)}`, lines: [] }),
  'part-arrived': (facts) => ({ title: `Part arrived: ${part(facts)}`, lines: [] }),
  'part-used': (facts) => ({ title: `Part used: ${part(facts)}`, lines: [] }),
  'part-returned': (facts) => ({ title: `Part given back: ${part(facts)}`, lines: [] }),
  'part-dropped': (facts) => ({ title: `Part not wanted any more: ${part(facts)}`, lines: [] }),
  'part-kept': (facts) => ({ title: `Kept as an exchange part: ${text(facts, 'part')}`, lines: [] }),
};
