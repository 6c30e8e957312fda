import { picturing, type Picture, type PictureRequest } from 'core/plan';
import type { Result } from 'core/result';
import type { Stages } from 'core/stages';
import { pause } from './pause';

/** Works on a picture stage by stage. Between two stages messages come in, and with them the word that the picture is no longer wanted. */
export class PictureWork {
  private unwanted = false;

  /** The picture, or null when it was given up. */
  async make(request: PictureRequest, stages: Stages): Promise<Result<Picture> | null> {
    this.unwanted = false;
    const steps = picturing(request, stages);
    for (;;) {
      const step = steps.next();
      if (step.done) return step.value;
      await pause();
      if (this.unwanted) return null;
    }
  }

  /** What is being worked on now is not wanted any more. */
  giveUp(): void {
    this.unwanted = true;
  }
}
