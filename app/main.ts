import { provideZonelessChangeDetection } from '@angular/core';
import { bootstrapApplication } from '@angular/platform-browser';
import { Shell } from './shell/shell';

bootstrapApplication(Shell, { providers: [provideZonelessChangeDetection()] }).catch((error: unknown) => console.error(error));
