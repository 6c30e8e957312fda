import { inject, Injectable } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import type { Picture } from 'core/plan';
import type { Figure } from 'core/project';
import type { PngSize } from 'plot';
import { EngineClient } from '../services/engine-client';
import { Notices } from '../services/notices';
import { PictureStore } from '../services/picture-store';
import { ProjectStore } from '../services/project-store';
import type * as FigureFiles from './figure-files';

/** Hands the figure, its ledger or the whole project over as files. */
@Injectable({ providedIn: 'root' })
export class Handover {
  private readonly engine = inject(EngineClient);
  private readonly store = inject(ProjectStore);
  private readonly pictures = inject(PictureStore);
  private readonly notices = inject(Notices);

  async png(scale: PngSize['scale']): Promise<void> {
    await this.give('png', ({ picture, figure }, files) => files.figurePng(picture, figure, scale), scale === 1 ? '' : `@${scale}x`);
  }

  async csv(): Promise<void> {
    await this.give('csv', ({ picture }, files) => Promise.resolve(files.ledgerCsv(picture)), '');
  }

  async project(): Promise<void> {
    const project = this.store.snapshot?.history.project;
    if (!project) return;
    const { download, fileName } = await filesOut();
    const name = fileName(project.name, 'json');
    download(new Blob([await this.engine.api.projectFile(project)], { type: 'application/json' }), name);
    this.notices.done(`Saved ${name}. It opens in any browser with Cowbell.`);
  }

  private async give(ending: string, make: (shown: Handed, files: typeof FigureFiles) => Promise<Blob>, suffix: string): Promise<void> {
    const figure = this.store.figure;
    const shown = figure && (await firstValueFrom(this.pictures.shown$));
    if (!figure || !shown?.picture) return this.notices.fault('There is no figure to hand over yet. Make one first.');
    const files = await filesOut();
    const name = files.fileName(figure.name, ending).replace(/(\.\w+)$/, `${suffix}$1`);
    try {
      files.download(await make({ picture: shown.picture, figure }, files), name);
      this.notices.done(`Saved ${name}.`);
    } catch (error) {
      this.notices.fault(`${name} could not be made: ${String(error)}. Try a smaller size.`);
    }
  }
}

/** What writes files; it comes when the first one is asked for. */
const filesOut = (): Promise<typeof FigureFiles> => import('./figure-files');

interface Handed {
  readonly picture: Picture;
  readonly figure: Figure;
}
