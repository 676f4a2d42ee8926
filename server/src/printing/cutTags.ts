import { CUT_ALONG, type Content } from './sheet';

/** One tag to cut out and hang up or stick on. */
export interface CutTag {
  readonly tag: string;
  readonly title: string;
  readonly lines: readonly string[];
  /** Where its code leads. */
  readonly link: string;
}

/** Tags side by side, with lines to cut along and a place for the string’s hole; none is broken over two pages. */
export const cutTags = (tags: readonly CutTag[]): Content[] =>
  rowsOf(tags, 2).map((row) => ({
    table: { widths: ['50%', '50%'], dontBreakRows: true, body: [[cellOf(row[0]), cellOf(row[1])]] },
    layout: CUT_ALONG,
    unbreakable: true,
  }));

const rowsOf = <T>(list: readonly T[], broad: number): T[][] =>
  Array.from({ length: Math.ceil(list.length / broad) }, (_, at) => list.slice(at * broad, (at + 1) * broad));

const cellOf = (cut: CutTag | undefined): Content =>
  cut === undefined
    ? { text: '', border: [false, false, false, false] }
    : {
        stack: [
          { canvas: [{ type: 'ellipse', x: 8, y: 6, r1: 5, r2: 5, lineWidth: 1, lineColor: '#8d8672' }] },
          {
            columns: [
              {
                width: '*',
                stack: [
                  { text: cut.tag, style: 'tag' },
                  { text: cut.title, bold: true },
                ],
              },
              { width: 70, qr: cut.link, fit: 66, eccLevel: 'M', alignment: 'right' },
            ],
          },
          ...cut.lines.map((text) => ({ text, margin: [0, 3, 0, 0] })),
        ],
        margin: [4, 6, 4, 8],
      };
