import { getDocument, VerbosityLevel } from 'pdfjs-dist/legacy/build/pdf.mjs';

/** The text of each page of a PDF, as any reader finds it. */
export async function pagesOf(pdf: Buffer): Promise<string[]> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: VerbosityLevel.ERRORS }).promise;
  const pages = Array.from({ length: document.numPages }, async (_, at) => {
    const { items } = await (await document.getPage(at + 1)).getTextContent();
    return items
      .map((item) => ('str' in item ? item.str : ''))
      .join(' ')
      .replace(/\s+/g, ' ');
  });
  return Promise.all(pages);
}

interface Paper {
  readonly pages: readonly string[];
  readonly text: string;
  /** Whether it says that, wherever its lines break. */
  readonly says: (words: string) => boolean;
}

const closeUp = (text: string): string => text.replaceAll(/\s+/g, '');

/** A paper that was answered: it is one, and what stands on it. */
export async function paperIn(answer: Response): Promise<Paper> {
  const type = answer.headers.get('content-type');
  if (answer.status !== 200 || type !== 'application/pdf')
    throw new Error(`no paper: ${answer.status} ${type} ${(await answer.text()).slice(0, 300)}`);
  const pages = await pagesOf(Buffer.from(await answer.arrayBuffer()));
  const text = pages.join(' ');
  return { pages, text, says: (words) => closeUp(text).includes(closeUp(words)) };
}
