import { parentPort } from 'node:worker_threads';
import { problem } from './ask';
import { rendered } from './rendered';

/** A question with its number. */
interface Asked {
  readonly id: number;
  readonly text: string;
}

parentPort?.on('message', ({ id, text }: Asked) => {
  void rendered(text)
    .catch((error: unknown) => {
      console.error(error);
      return problem(500, 'A fault of the server', 'The figure could not be made. Look at the log of the server.');
    })
    .then(answer => parentPort?.postMessage({ id, answer }));
});
