import { picturing, type Picture, type PictureRequest } from 'core/plan';
import type { Result } from 'core/result';
import type { Stages } from 'core/stages';
import { pause } from './pause';

// So long stages follow each other before messages are heard, in milliseconds: giving the thread back costs more than a small picture's stage.
const STRETCH_MS = 4;

/** Works on a picture stage by stage. Between two stages of long work messages come in, and with them the word that the picture is no longer wanted. */
export class PictureWork {
  private unwanted = false;

  /**
   * The picture, or null when it was given up.
   * @param stretch milliseconds of work before messages are heard
   */
  async make(request: PictureRequest, stages: Stages, stretch: number = STRETCH_MS): Promise<Result<Picture> | null> {
    this.unwanted = false;
    const steps = picturing(request, stages);
    for (let since = performance.now(); ;) {
      const step = steps.next();
      if (step.done) return step.value;
      if (performance.now() - since < stretch) continue;
      await pause();
      if (this.unwanted) return null;
      since = performance.now();
    }
  }

  /** Gives up the picture that is being computed. */
  giveUp(): void {
    this.unwanted = true;
  }
}
