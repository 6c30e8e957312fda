import type { ReadBundle } from 'core/io';
import { buffersOf, type Table } from 'core/table';

/** A file's contents on their way from the worker that read it. */
export type Delivery = { readonly kind: 'table'; readonly table: Table } | { readonly kind: 'project'; readonly bundle: ReadBundle };

/** Sends what a file held to the engine: columns move there, and never lie in the page's memory. */
export function deliver(port: MessagePort, delivery: Delivery): void {
  const tables = delivery.kind === 'table' ? [delivery.table] : Object.values(delivery.bundle.tables);
  port.postMessage(delivery, tables.flatMap(buffersOf));
}

/** Receives a delivery through a port. */
export function delivered(port: MessagePort): Promise<Delivery> {
  return new Promise(resolve => {
    // Only the worker that reads files holds the other end.
    port.onmessage = ({ data }: MessageEvent<Delivery>) => {
      port.close();
      resolve(data);
    };
  });
}
