import { askSchools, lookInto, type Question } from './lookInto';

interface Scope {
  onmessage: ((event: { data: { id: number; what: 'look' | 'schools'; question: Question } }) => void) | null;
  postMessage: (message: unknown) => void;
}
const scope = globalThis as unknown as Scope;

scope.onmessage = ({ data: { id, what, question } }) => {
  try {
    scope.postMessage({ id, answer: what === 'look' ? lookInto(question) : askSchools(question) });
  } catch (error) {
    scope.postMessage({ id, failed: error instanceof Error ? error.message : String(error) });
  }
};
