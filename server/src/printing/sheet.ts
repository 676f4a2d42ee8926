/**
 * What stands on a sheet of paper, as plain data: it is made into a PDF by a worker (`paper.worker.ts`). The shapes are those of pdfmake's
 * document definition.
 */
export type Content = string | { readonly [name: string]: Plain };
/** What a worker can be sent: text, numbers and lists of them. What is to be done with it, it knows itself, by name. */
type Plain = string | number | boolean | undefined | readonly Plain[] | { readonly [name: string]: Plain };

/** Lines to cut along between what is cut out: a layout of the worker's, by name. */
export const CUT_ALONG = 'cut-along';

export interface Sheet {
  readonly title: string;
  readonly content: readonly Content[];
}

interface Head {
  readonly tag: string;
  readonly title: string;
  readonly under: readonly string[];
  /** Where the printed code leads. */
  readonly link: string;
}

/** The tag stencilled, what the sheet is, and the unit's code to find it by. */
export const head = ({ tag, title, under, link }: Head): Content[] => [
  {
    columns: [
      { width: '*', stack: [{ text: tag, style: 'tag' }, { text: title, style: 'title' }, ...under] },
      { width: 96, qr: link, fit: 92, eccLevel: 'M', alignment: 'right' },
    ],
    columnGap: 12,
  },
];

/** A part of the sheet under its heading; nothing where there is nothing to say. */
export const section = (title: string, content: readonly Content[]): Content[] =>
  content.length === 0
    ? []
    : [
        {
          stack: [
            { text: title, style: 'section' },
            { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 503, y2: 0, lineWidth: 0.8, lineColor: '#8d8672' }] },
          ],
          margin: [0, 12, 0, 6],
          // A heading does not stay behind at the foot of a page.
          headlineLevel: 1,
        },
        ...content,
      ];

/** Lines to tick, those that are done ticked. */
export const ticks = (
  entries: readonly { readonly text: string; readonly done: boolean; readonly under?: string }[],
): Content[] =>
  entries.map(({ text, done, under }) => ({
    columns: [
      { width: 16, canvas: boxOf(done), margin: [0, 1, 0, 0] },
      { width: '*', stack: [text, ...(under === undefined ? [] : [{ text: under, style: 'under' }])] },
    ],
    margin: [0, 0, 0, 4],
    unbreakable: true,
  }));

const boxOf = (done: boolean): Content[] => [
  { type: 'rect', x: 0, y: 0, w: 10, h: 10, lineWidth: 1, lineColor: '#12211b' },
  ...(done
    ? [
        {
          type: 'polyline',
          lineWidth: 1.6,
          lineColor: '#12211b',
          points: [
            { x: 2, y: 5 },
            { x: 4.5, y: 8 },
            { x: 9, y: 1 },
          ],
        },
      ]
    : []),
];

interface Column {
  readonly title: string;
  /** Of the width that is left: shares, as of a whole. */
  readonly share: number;
  readonly right?: true;
}

/** Columns under their headings, which come again on each page; nothing where there are no rows. */
export function table(columns: readonly Column[], rows: readonly (readonly string[])[]): Content[] {
  if (rows.length === 0) return [];
  const total = columns.reduce((sum, column) => sum + column.share, 0);
  const cell = (text: string, column: Column | undefined, style: string) => ({
    text,
    style,
    ...(column?.right ? { alignment: 'right' } : {}),
  });
  return [
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: columns.map((column) => `${Math.floor((column.share / total) * 100)}%`),
        body: [
          columns.map((column) => cell(column.title, column, 'heading')),
          ...rows.map((row) => row.map((text, at) => cell(text, columns[at], 'cell'))),
        ],
      },
      layout: 'lightHorizontalLines',
    },
  ];
}

/** A line to sign on. */
export const sign = (who: string): Content[] => [
  {
    stack: [
      { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 220, y2: 0, lineWidth: 0.8, lineColor: '#12211b' }] },
      { text: who, style: 'under' },
    ],
    margin: [0, 44, 0, 0],
    unbreakable: true,
  },
];
