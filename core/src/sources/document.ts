import { saySource, type Source } from '../catalogue';
import { sourceLines, type SourceLine } from './table';

const HEAD = `# Every figure that decides, and where it comes from

Made from the data by \`npm run ids\`; do not edit. A model's own data sheet, a unit's own plate, the yard's own prices, bookings and proven
visits come before what stands here, and the screens name them as the source then.

`;

const cell = (text: string): string => text.replaceAll('|', '\\|');
const KINDS: Readonly<Record<Source['kind'], string>> = {
  published: 'published',
  'common practice': 'common practice',
  'from memory': 'from memory',
  judgement: 'judgement',
  own: 'the yard’s own',
};

function counts(lines: readonly SourceLine[]): string {
  const of = (kind: string): number => lines.filter(({ source }) => source.kind === kind).length;
  const rows = Object.entries(KINDS).map(([kind, words]) => `| ${words} | ${of(kind)} |`);
  return ['| Source | Figures |', '| --- | --- |', ...rows, ''].join('\n');
}

/** The table of every figure with its source, as a document. */
export function limitsDocument(): string {
  const lines = sourceLines();
  const groups = [...new Set(lines.map(({ group }) => group))];
  const sections = groups.map((group) => {
    const rows = lines
      .filter((one) => one.group === group)
      .map(({ what, value, source }) => `| ${cell(what)} | ${cell(value)} | ${cell(saySource(source))} |`);
    return [`## ${group}`, '', '| What | Value | Source |', '| --- | --- | --- |', ...rows, ''].join('\n');
  });
  return `${HEAD}${counts(lines)}\n${sections.join('\n')}`;
}
