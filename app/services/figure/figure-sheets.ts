import { computed, inject, type Provider } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map } from 'rxjs';
import { SHEET_SUBJECT } from '../../ui/sheet-subject';
import { Incoming } from '../sources/incoming';
import { ProjectStore } from '../project/project-store';

/** Sheets that speak of the figure close when another figure opens, since what is chosen there would fall to the wrong one, and when a file is looked at. */
export const figureSheets: Provider = {
  provide: SHEET_SUBJECT,
  useFactory: () => {
    const figure = toSignal(inject(ProjectStore).figure$.pipe(map(shown => shown?.id ?? null)), { initialValue: null });
    const { looked } = inject(Incoming);
    return computed(() => `${figure()} ${looked() ? 'looked' : ''}`);
  },
};
