import type { Tabs } from 'engine';

/** Tabs of one browser: a lock tells whether another one has the project open, a channel says when its journal has grown. */
export class BrowserTabs implements Tabs {
  private leave: () => void = () => undefined;
  private channel: BroadcastChannel | null = null;

  async enter(project: string): Promise<boolean> {
    this.leave();
    const name = `cowbell ${project}`;
    const alone = await this.isAlone(name);
    // Held together with other tabs, until this one goes to another project or is closed.
    void navigator.locks.request(name, { mode: 'shared' }, () => new Promise<void>(resolve => (this.leave = resolve)));
    return alone;
  }

  tell(project: string): void {
    if (this.channel?.name === channelOf(project)) this.channel.postMessage(null);
  }

  hear(project: string, heard: () => void): void {
    this.channel?.close();
    this.channel = new BroadcastChannel(channelOf(project));
    this.channel.onmessage = heard;
  }

  private isAlone(name: string): Promise<boolean> {
    return navigator.locks.request(name, { mode: 'exclusive', ifAvailable: true }, lock => lock !== null);
  }
}

const channelOf = (project: string): string => `cowbell ${project}`;
