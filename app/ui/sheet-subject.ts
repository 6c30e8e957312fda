import { InjectionToken, type Signal } from '@angular/core';

/** What the sheets below a component speak of, by its identity: when it changes, an open sheet speaks of nothing any more and closes. */
export const SHEET_SUBJECT = new InjectionToken<Signal<unknown>>('SHEET_SUBJECT');
