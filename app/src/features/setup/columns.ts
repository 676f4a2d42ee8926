import Papa from 'papaparse';

/** What is asked of a list of units. */
export const WANTED = [
  { id: 'tag', label: 'Tag', isNeeded: true, like: /^(tag|unit|no\.?|number|fleet)/i },
  { id: 'class', label: 'Class', isNeeded: false, like: /^(class|kind|type|category)/i },
  { id: 'make', label: 'Make', isNeeded: true, like: /^(make|brand|manufacturer)/i },
  { id: 'model', label: 'Model', isNeeded: true, like: /^model/i },
  { id: 'serial', label: 'Serial number', isNeeded: false, like: /^serial|s\/n/i },
  { id: 'home_bay', label: 'Where it stands', isNeeded: false, like: /^(home|bay|place|location|stands)/i },
  { id: 'hours', label: 'Hours on the meter', isNeeded: false, like: /^(hours|meter|reading|hrs)/i },
  { id: 'read_on', label: 'Day of that reading', isNeeded: false, like: /^(read.?on|reading date|date read|read at)/i },
  {
    id: 'oil_hours',
    label: 'Hours at the last oil service',
    isNeeded: false,
    like: /^(oil.?hours|last (oil|service)|serviced at)/i,
  },
  {
    id: 'oil_on',
    label: 'Day of the last oil service',
    isNeeded: false,
    like: /^(oil.?(on|date)|service(d)? (on|date))/i,
  },
] as const;
type WantedId = (typeof WANTED)[number]['id'];

/** Which column of the list is which; a column of none is left out. */
export type Mapping = Readonly<Partial<Record<WantedId, number>>>;

export interface Sheet {
  readonly heading: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** A spreadsheet as it was saved: whatever stands between its cells. */
export function readSheet(text: string): Sheet {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [heading = [], ...rows] = data;
  return { heading: heading.map((cell) => cell.trim()), rows };
}

/** What each column is by its name. */
export const guessed = ({ heading }: Sheet): Mapping =>
  Object.fromEntries(
    WANTED.flatMap(({ id, like }) => {
      const at = heading.findIndex((name) => like.test(name));
      return at < 0 ? [] : [[id, at]];
    }),
  );

export const lacking = (mapping: Mapping): string[] =>
  WANTED.filter(({ id, isNeeded }) => isNeeded && mapping[id] === undefined).map(({ label }) => label.toLowerCase());

/** The list with the columns that are wanted, in their order. */
export const asCsv = ({ rows }: Sheet, mapping: Mapping): string =>
  Papa.unparse({
    fields: WANTED.map(({ id }) => id),
    data: rows.map((row) => WANTED.map(({ id }) => (mapping[id] === undefined ? '' : (row[mapping[id]] ?? '').trim()))),
  });
