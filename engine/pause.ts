/** Gives the thread back once, so that messages that have come are heard. Unlike a timer it never waits longer than that. */
export function pause(): Promise<void> {
  return new Promise(resolve => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });
}
