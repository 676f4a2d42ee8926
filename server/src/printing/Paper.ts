import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import QRCode from 'qrcode';

const resolve = createRequire(import.meta.url).resolve;
const FONTS = {
  text: resolve('@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
  strong: resolve('@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'),
  stencil: resolve('@expo-google-fonts/saira-stencil-one/400Regular/SairaStencilOne_400Regular.ttf'),
} as const;

const EDGE = 46;
const INK = '#12211b';
const LINE = '#8d8672';
const QR_EDGE = 84;
const SIGN_HEIGHT = 52;

/** A sheet of A4 that fills from the top and goes on to the next. */
export class Paper {
  readonly #doc: PDFKit.PDFDocument;
  readonly #done: Promise<Buffer>;

  constructor(title: string) {
    this.#doc = new PDFDocument({ size: 'A4', margin: EDGE, info: { Title: title, Creator: 'Hudrik' } });
    const parts: Buffer[] = [];
    this.#done = new Promise((take, fail) => {
      this.#doc.on('data', (part: Buffer) => parts.push(part));
      this.#doc.on('end', () => take(Buffer.concat(parts)));
      this.#doc.on('error', fail);
    });
    for (const [name, file] of Object.entries(FONTS)) this.#doc.registerFont(name, file);
  }

  get #width(): number {
    return this.#doc.page.width - 2 * EDGE;
  }

  /** The tag stencilled, what the sheet is, and the unit's code to find it by. */
  head(tag: string, title: string, under: readonly string[], link: string): this {
    const doc = this.#doc;
    const code = QRCode.create(link, { errorCorrectionLevel: 'M' }).modules;
    const cell = QR_EDGE / code.size;
    const left = doc.page.width - EDGE - QR_EDGE;
    for (let row = 0; row < code.size; row++)
      for (let column = 0; column < code.size; column++)
        if (code.get(row, column)) doc.rect(left + column * cell, EDGE + row * cell, cell, cell);
    doc.fill(INK);
    doc
      .font('stencil')
      .fontSize(34)
      .fillColor(INK)
      .text(tag, EDGE, EDGE - 4, { width: left - EDGE - 12 });
    doc
      .font('strong')
      .fontSize(15)
      .text(title, { width: left - EDGE - 12 });
    doc.font('text').fontSize(10);
    for (const line of under) doc.text(line, { width: left - EDGE - 12 });
    doc.y = Math.max(doc.y, EDGE + QR_EDGE) + 10;
    doc.x = EDGE;
    return this;
  }

  section(title: string): this {
    const doc = this.#doc;
    if (doc.y > doc.page.height - EDGE - 60) doc.addPage();
    doc.moveDown(0.6).font('strong').fontSize(12).fillColor(INK).text(title, EDGE);
    doc
      .moveTo(EDGE, doc.y + 2)
      .lineTo(EDGE + this.#width, doc.y + 2)
      .lineWidth(0.8)
      .stroke(LINE);
    doc.y += 6;
    return this;
  }

  lines(lines: readonly string[], none = ''): this {
    for (const line of lines.length > 0 ? lines : none ? [none] : [])
      this.#doc.font('text').fontSize(10).fillColor(INK).text(line, EDGE, undefined, { width: this.#width });
    return this;
  }

  /** Lines to tick, those that are done ticked. */
  ticks(entries: readonly { readonly text: string; readonly done: boolean; readonly under?: string }[]): this {
    const doc = this.#doc;
    for (const { text, done, under } of entries) {
      if (doc.y > doc.page.height - EDGE - 30) doc.addPage();
      const top = doc.y;
      doc
        .rect(EDGE, top + 1, 10, 10)
        .lineWidth(1)
        .stroke(INK);
      if (done)
        doc
          .moveTo(EDGE + 2, top + 6)
          .lineTo(EDGE + 4.5, top + 9)
          .lineTo(EDGE + 9, top + 2)
          .lineWidth(1.6)
          .stroke(INK);
      doc
        .font('text')
        .fontSize(10)
        .fillColor(INK)
        .text(text, EDGE + 18, top, { width: this.#width - 18 });
      if (under)
        doc
          .fontSize(8.5)
          .fillColor('#4b5049')
          .text(under, EDGE + 18, undefined, { width: this.#width - 18 });
      doc.y += 3;
    }
    doc.x = EDGE;
    return this;
  }

  /** Columns by their share of the width; figures to the right. */
  table(
    columns: readonly { readonly title: string; readonly share: number; readonly right?: boolean }[],
    rows: readonly (readonly string[])[],
  ): this {
    const doc = this.#doc;
    const total = columns.reduce((sum, column) => sum + column.share, 0);
    const widths = columns.map((column) => (column.share / total) * this.#width);
    const line = (cells: readonly string[], font: string, size: number): void => {
      doc.font(font).fontSize(size);
      const height = Math.max(
        ...cells.map((cell, at) => doc.heightOfString(cell, { width: (widths[at] as number) - 6 })),
      );
      if (doc.y + height > doc.page.height - EDGE) doc.addPage();
      const top = doc.y;
      let left = EDGE;
      cells.forEach((cell, at) => {
        doc
          .fillColor(INK)
          .text(cell, left, top, { width: (widths[at] as number) - 6, align: columns[at]?.right ? 'right' : 'left' });
        left += widths[at] as number;
      });
      doc.y = top + height + 3;
      doc.x = EDGE;
    };
    line(
      columns.map((column) => column.title),
      'strong',
      9,
    );
    for (const row of rows) line(row, 'text', 10);
    return this;
  }

  /** A line to sign on. */
  sign(who: string): this {
    const doc = this.#doc;
    // It may stand in the foot of the sheet: a sheet of its own for a line to sign is lost.
    if (doc.y + SIGN_HEIGHT > doc.page.height - EDGE / 2) doc.addPage();
    const line = doc.y + SIGN_HEIGHT - 16;
    doc
      .moveTo(EDGE, line)
      .lineTo(EDGE + 220, line)
      .lineWidth(0.8)
      .stroke(INK);
    doc
      .font('text')
      .fontSize(9)
      .fillColor(INK)
      .text(who, EDGE, line + 4, { lineBreak: false });
    return this;
  }

  end(): Promise<Buffer> {
    this.#doc.end();
    return this.#done;
  }
}
