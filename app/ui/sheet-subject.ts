import { InjectionToken, type Signal } from '@angular/core';

/** The identity of the subject of sheets below a component: when it changes, open sheets close. */
export const SHEET_SUBJECT = new InjectionToken<Signal<unknown>>('SHEET_SUBJECT');
