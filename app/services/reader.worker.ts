import { expose } from 'comlink';
import { readFile } from 'core/io';
import { failure, success, type Result } from 'core/result';
import { deliver, type ReadFile } from 'engine';

// Of reading a file, what getting its bytes takes.
const BYTES_SHARE = 0.06;

/** Reads one file of any known kind. A worker of its own, so that ending it cancels. */
export class FileReading {
  /** The bytes are read here, and what they hold goes to the engine through a port: it never lies in the page's memory. */
  async read(file: Blob, name: string, engine: MessagePort, onProgress: (share: number) => void): Promise<Result<ReadFile>> {
    const bytes = await bytesOf(file, share => onProgress(share * BYTES_SHARE));
    const read = readFile(bytes, name, { onProgress: share => onProgress(BYTES_SHARE + share * (1 - BYTES_SHARE)) });
    if (!read.ok) return read;
    if (read.value.kind === 'project') {
      deliver(engine, read.value);
      return success({ kind: 'project' });
    }
    const [first] = read.value.tables;
    if (!first) return failure({ code: 'file-empty', file: name });
    const { table, ...rest } = first;
    deliver(engine, { kind: 'table', table });
    return success({ kind: 'table', ...rest });
  }
}

/** The bytes of a file, piece by piece, so that there is news of them. */
async function bytesOf(file: Blob, onProgress: (share: number) => void): Promise<Uint8Array> {
  const bytes = new Uint8Array(file.size);
  onProgress(0);
  let at = 0;
  const reader = file.stream().getReader();
  for (let { done, value } = await reader.read(); !done && value; { done, value } = await reader.read()) {
    bytes.set(value, at);
    at += value.length;
    onProgress(at / file.size);
  }
  return bytes;
}

expose(new FileReading());
