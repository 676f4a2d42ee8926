import type { Ahead, Answer, Question } from './lookInto';

interface Waiting {
  readonly take: (answer: any) => void;
  readonly fail: (error: Error) => void;
}

/** One web worker and those who wait for it. */
class Asked {
  #worker: Worker | null = null;
  #last = 0;
  readonly #waiting = new Map<number, Waiting>();

  send<T>(what: 'look' | 'schools', question: Question): Promise<T> {
    const id = ++this.#last;
    return new Promise<T>((take, fail) => {
      this.#waiting.set(id, { take, fail });
      this.#start().postMessage({ id, what, question });
    });
  }

  /** Gives up what it is at: nobody wants the answer any more. */
  stop(): void {
    this.#worker?.terminate();
    this.#worker = null;
    this.#failAll('Asked anew meanwhile.');
  }

  #start(): Worker {
    if (this.#worker) return this.#worker;
    this.#worker = new Worker(new URL('./diagnosis.worker', window.location.href));
    this.#worker.onmessage = ({ data }: MessageEvent<{ id: number; answer?: unknown; failed?: string }>) => {
      const who = this.#waiting.get(data.id);
      this.#waiting.delete(data.id);
      if (data.failed === undefined) who?.take(data.answer);
      else who?.fail(new Error(data.failed));
    };
    this.#worker.onerror = (event) => {
      this.#worker = null;
      this.#failAll(event.message || 'The sum could not be done.');
    };
    return this.#worker;
  }

  #failAll(why: string): void {
    for (const { fail } of this.#waiting.values()) fail(new Error(why));
    this.#waiting.clear();
  }
}

// The schools take seconds: they have a worker of their own, so that a new reading never waits for them.
const looks = new Asked();
const schools = new Asked();

/** Asks the web worker: the screen stays live meanwhile. */
export async function ask(question: Question): Promise<Answer> {
  const began = performance.now();
  const answer = await looks.send<Answer>('look', question);
  performance.measure('hudrik-look', {
    start: began,
    duration: performance.now() - began,
    detail: answer.milliseconds,
  });
  return answer;
}

let schoolsBusy = false;

export async function askForSchools(question: Question): Promise<Ahead> {
  if (schoolsBusy) schools.stop();
  schoolsBusy = true;
  const minutes = await schools.send<Ahead>('schools', question);
  schoolsBusy = false;
  return minutes;
}
