import { computed, Injectable, signal } from '@angular/core';

/** A place of the screen whose size is the analyst's, and that can be folded away. */
export type Pane = 'brief' | 'ledger';

interface Kept {
  /** Width of the brief in CSS pixels, share of the ledger in the height beside it. */
  readonly sizes: Readonly<Record<Pane, number>>;
  readonly folded: Readonly<Record<Pane, boolean>>;
}

/** How small and how large a place may be, and what it is until the analyst moves its divider. */
export const PANE_LIMITS: Readonly<Record<Pane, { readonly usual: number; readonly least: number; readonly most: number }>> = {
  brief: { usual: 416, least: 280, most: 720 },
  ledger: { usual: 0.34, least: 0.15, most: 0.75 },
};

const REMEMBERED = 'cowbell.room';

/** How much room brief, stage and ledger have, and whether the figure is shown alone. Remembered per browser. */
@Injectable({ providedIn: 'root' })
export class Room {
  private readonly kept = signal<Kept>(remembered());
  /** The figure fills the screen, for a meeting. */
  readonly alone = signal(false);
  readonly sizes = computed(() => this.kept().sizes);
  readonly folded = computed(() => this.kept().folded);

  /** Gives a place a size within its limits, and opens it. */
  give(pane: Pane, size: number): void {
    const { least, most } = PANE_LIMITS[pane];
    const { sizes, folded } = this.kept();
    this.keep({ sizes: { ...sizes, [pane]: Math.max(least, Math.min(most, size)) }, folded: { ...folded, [pane]: false } });
  }

  fold(pane: Pane, away: boolean): void {
    const { sizes, folded } = this.kept();
    this.keep({ sizes, folded: { ...folded, [pane]: away } });
  }

  private keep(now: Kept): void {
    this.kept.set(now);
    try {
      localStorage.setItem(REMEMBERED, JSON.stringify(now));
    } catch {
      // A browser that keeps nothing gives the usual room at its next visit.
    }
  }
}

function remembered(): Kept {
  const usual: Kept = {
    sizes: { brief: PANE_LIMITS.brief.usual, ledger: PANE_LIMITS.ledger.usual },
    folded: { brief: false, ledger: false },
  };
  try {
    const kept = JSON.parse(localStorage.getItem(REMEMBERED) ?? '{}') as {
      sizes?: Record<string, unknown>;
      folded?: Record<string, unknown>;
    };
    const size = (pane: Pane): number => {
      const [value, { least, most }] = [kept.sizes?.[pane], PANE_LIMITS[pane]];
      return typeof value === 'number' && value >= least && value <= most ? value : usual.sizes[pane];
    };
    return {
      sizes: { brief: size('brief'), ledger: size('ledger') },
      folded: { brief: kept.folded?.['brief'] === true, ledger: kept.folded?.['ledger'] === true },
    };
  } catch {
    return usual;
  }
}
