import { createRequire } from 'node:module';
import { CUT_ALONG, type Sheet } from './sheet';

/** Runs in a worker of the pool: laying out a long card takes a second of one processor. */
const require = createRequire(import.meta.url);
const FONT = '@expo-google-fonts/atkinson-hyperlegible-next';
const text = require.resolve(`${FONT}/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf`);
const strong = require.resolve(`${FONT}/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf`);
const stencil = require.resolve('@expo-google-fonts/saira-stencil-one/400Regular/SairaStencilOne_400Regular.ttf');

const INK = '#12211b';

interface PdfMake {
  setFonts(fonts: object): void;
  setUrlAccessPolicy(allows: (url: string) => boolean): void;
  addTableLayouts(layouts: object): void;
  setLocalAccessPolicy(allows: (path: string) => boolean): void;
  createPdf(definition: object): { getBuffer(): Promise<Buffer> };
}

const pdfmake = require('pdfmake') as PdfMake;
pdfmake.setFonts({ Text: { normal: text, bold: strong }, Stencil: { normal: stencil } });
const dashed = () => ({ dash: { length: 4, space: 3 } });
pdfmake.addTableLayouts({ [CUT_ALONG]: { hLineStyle: dashed, vLineStyle: dashed } });
// Nothing on paper is fetched from anywhere, and no file but its fonts is read.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => [text, strong, stencil].includes(path));

export default async function makePaper({ title, content }: Sheet): Promise<Buffer> {
  const pdf = pdfmake.createPdf({
    info: { title, creator: 'Hudrik' },
    pageSize: 'A4',
    pageMargins: [46, 46, 46, 52],
    content,
    defaultStyle: { font: 'Text', fontSize: 10, color: INK },
    styles: {
      tag: { font: 'Stencil', fontSize: 34 },
      title: { bold: true, fontSize: 15 },
      section: { bold: true, fontSize: 12 },
      heading: { bold: true, fontSize: 9 },
      cell: { fontSize: 10 },
      under: { fontSize: 8.5, color: '#4b5049' },
    },
    footer: (page: number, pages: number) => ({
      text: `${title} · ${page} of ${pages}`,
      style: 'under',
      margin: [46, 18, 46, 0],
    }),
    pageBreakBefore: (node: { headlineLevel?: number }, nodes: { getFollowingNodesOnPage: () => unknown[] }) =>
      node.headlineLevel === 1 && nodes.getFollowingNodesOnPage().length === 0,
  });
  return pdf.getBuffer();
}
