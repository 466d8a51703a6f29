/**
 * The core worker in the room of a test: asked and answering by copies, one turn later, as in the browser. What was posted is
 * kept, so that a test can see how much goes over.
 */
import { deserialize, serialize } from 'node:v8';

interface Posting {
  data: unknown;
}
export const posted: unknown[] = [];
const copy = (value: unknown): unknown => deserialize(serialize(value));

class NearWorker {
  onmessage: ((event: Posting) => void) | null = null;
  constructor() {
    const room = globalThis as unknown as {
      onmessage: ((event: Posting) => void) | null;
      postMessage: (data: unknown) => void;
    };
    room.postMessage = (data) => {
      const told = copy(data);
      queueMicrotask(() => this.onmessage?.({ data: told }));
    };
    void import('../../src/worker/core.worker');
  }
  postMessage(data: unknown): void {
    posted.push(data);
    const asked = copy(data);
    // The worker's module may still be on its way.
    void import('../../src/worker/core.worker').then(() =>
      (globalThis as unknown as { onmessage: (event: Posting) => void }).onmessage({ data: asked }),
    );
  }
}

Object.assign(globalThis, { Worker: NearWorker });
