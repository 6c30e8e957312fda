import type { Picture } from 'core/plan';
import type { PictureNews } from './api';
import { sentPlan } from 'engine/parcel';

interface Told {
  readonly number: number;
  readonly picture: Picture;
}

/** Remembers which parts of each figure the page has, so that only new parts are sent: the frame of a large table is copied once. */
export class PictureParts {
  private readonly told = new Map<string, Told>();
  private count = 0;

  newsOf(figure: string, picture: Picture, have: number | null): PictureNews {
    const last = this.told.get(figure);
    const known = last?.number === have ? last?.picture : undefined;
    const { frame, applied, totals, plans, drawn, withoutValue } = picture;
    const number = ++this.count;
    this.told.set(figure, { number, picture });
    return {
      number,
      plans: plans.map((plan, at) => sentPlan(plan, known?.plans[at])),
      drawn,
      withoutValue,
      ...(known?.frame === frame ? {} : { frame }),
      ...(known?.applied === applied ? {} : { applied }),
      ...(known?.totals === totals ? {} : { totals }),
    };
  }
}
