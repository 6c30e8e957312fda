/** What tabs that have one project open know of each other. */
export interface Tabs {
  /** Comes to a project and leaves the one before. True where no other tab has it open. */
  enter(project: string): Promise<boolean>;
  /** Says that the project's journal has grown. */
  tell(project: string): void;
  /** Hears it from others; what heard before is left. */
  hear(project: string, heard: () => void): void;
}

/** One program alone, as on the command line. */
export const noTabs: Tabs = { enter: () => Promise.resolve(true), tell: () => undefined, hear: () => undefined };
