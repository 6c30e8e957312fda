import { provideZonelessChangeDetection, type ApplicationRef } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { Shell } from './shell/shell';

const start = (): Promise<ApplicationRef> => bootstrapApplication(Shell, { providers: [provideZonelessChangeDetection()] });

// A task of its own: running the scripts and building the page are each long enough.
setTimeout(() => {
  const app = start();
  app.catch((error: unknown) => console.error(error));
  if (new URLSearchParams(location.search).has('door')) void import('./door').then(({ openDoor }) => openDoor(app, start));
});
