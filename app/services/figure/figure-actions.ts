import { inject, Injectable } from '@angular/core';
import type { Figure } from 'core/document';
import { Announcer } from '../../ui/announcer';
import { FirstOffers } from './first-offers';
import { Notices } from '../telling/notices';
import { ProjectStore } from '../project/project-store';
import { firstValueFrom } from 'rxjs';

/** Actions on the figures of the project; each is one step of undo. */
@Injectable({ providedIn: 'root' })
export class FigureActions {
  private readonly store = inject(ProjectStore);
  private readonly notices = inject(Notices);
  private readonly announcer = inject(Announcer);
  private readonly offers = inject(FirstOffers);

  /** A first sensible figure of the table that is on the stage. */
  async create(): Promise<void> {
    const tables = await firstValueFrom(this.store.tables$);
    const table = tables.find(item => item.id === this.store.figure?.data.table) ?? tables[0];
    if (!table) return this.notices.fault('There is no table to make a figure of. Open a file first.');
    const { firstFigures } = await import('./figure-making');
    const first = firstFigures(crypto.randomUUID(), table);
    const figure = { ...first.figure, name: this.freeName(first.figure.name) };
    this.store.addFigure(figure);
    this.offers.offer({ ...first, figure });
  }

  duplicate(figure: Figure): void {
    this.store.addFigure({ ...figure, id: crypto.randomUUID(), name: this.freeName(figure.name) });
  }

  remove(figure: Figure): void {
    const at = this.figures.findIndex(({ id }) => id === figure.id);
    this.store.apply({ kind: 'remove-figure', figure: figure.id });
    this.notices.done(`Removed ${figure.name}.`, { undo: () => this.store.apply({ kind: 'add-figure', figure, at }) });
  }

  rename(figure: Figure, text: string): void {
    const name = text.trim();
    if (name && name !== figure.name) this.store.apply({ kind: 'change-figure', figure: figure.id, change: { name } });
  }

  /** Puts a figure at a place of the list, counted from 0. */
  move(figure: Figure, to: number): void {
    const at = this.figures.findIndex(({ id }) => id === figure.id);
    if (to === at || to < 0 || to >= this.figures.length) return;
    this.store.apply({ kind: 'move-figure', figure: figure.id, to });
    this.announcer.say(`${figure.name} moved to place ${to + 1} of ${this.figures.length}`);
  }

  /** Shows the figure so many places further on; from the last on to the first. */
  step(by: 1 | -1): void {
    const { figures } = this;
    const at = figures.findIndex(figure => figure.id === this.store.figure?.id);
    const next = figures[(at + by + figures.length) % figures.length];
    if (next) this.store.show(next.id);
  }

  private get figures(): readonly Figure[] {
    return this.store.snapshot?.history.project.figures ?? [];
  }

  private freeName(name: string): string {
    const taken = new Set(this.figures.map(figure => figure.name));
    let free = name;
    for (let n = 2; taken.has(free); n++) free = `${name} ${n}`;
    return free;
  }
}
