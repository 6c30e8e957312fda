import { provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { Shell } from './shell/shell';

// A task of its own: running the scripts and building the page are each long enough.
setTimeout(() => {
  bootstrapApplication(Shell, { providers: [provideZonelessChangeDetection()] }).catch((error: unknown) => console.error(error));
});
