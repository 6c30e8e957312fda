import { inject, type Provider } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';
import { SHEET_SUBJECT } from '../ui/sheet-subject';
import { ProjectStore } from './project-store';

/** Sheets that speak of the figure close when another figure opens: what is chosen there would fall to the wrong one. */
export const figureSheets: Provider = {
  provide: SHEET_SUBJECT,
  useFactory: () => toSignal(inject(ProjectStore).figure$.pipe(map(figure => figure?.id ?? null)), { initialValue: null }),
};
