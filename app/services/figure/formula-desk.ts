import { Injectable, signal } from '@angular/core';
import type { NamedFormula } from 'core/formula';
import type { HelperScope } from 'core/frame';

/** A formula that is being written: where it will stand, and what becomes of it. */
export interface DeskRequest {
  readonly place: 'derived' | 'measure' | 'helper' | 'filter';
  readonly title: string;
  /** Null where a formula needs no name. */
  readonly name: string | null;
  readonly formula: string;
  readonly scope?: HelperScope;
  /** Columns that the formula sees beside the frame's own. */
  readonly before?: readonly NamedFormula[];
  /** Takes the formula; gives what is wrong with its name, or null when it was taken. */
  readonly use: (written: Written) => string | null;
  readonly remove?: () => void;
}

/** A formula that was written at the desk. */
export interface Written {
  readonly name: string;
  readonly formula: string;
  readonly scope: HelperScope;
}

const RECENT_KEY = 'cowbell-recent-formulas';
const KEPT = 12;

/** The desk at which formulas are written: one at a time, in the ledger's place. */
@Injectable({ providedIn: 'root' })
export class FormulaDesk {
  readonly request = signal<DeskRequest | null>(null);
  private readonly drafts = new Map<string, Written>();
  readonly recent = signal<readonly string[]>(storedFormulas());

  open(request: DeskRequest): void {
    this.request.set(request);
  }

  close(): void {
    this.request.set(null);
  }

  /** The unused draft for a place; null when there is none. */
  draftOf(request: DeskRequest): Written | null {
    return this.drafts.get(keyOf(request)) ?? null;
  }

  /** Keeps what was written, so that it is there when the same formula is opened again; nothing (null) forgets it. */
  keepDraft(request: DeskRequest, draft: Written | null): void {
    this.drafts.delete(keyOf(request));
    if (draft) this.drafts.set(keyOf(request), draft);
  }

  /** Remembers a formula that was used, the latest first. */
  remember(formula: string): void {
    this.recent.update(list => [formula, ...list.filter(other => other !== formula)].slice(0, KEPT));
    localStorage.setItem(RECENT_KEY, JSON.stringify(this.recent()));
  }
}

const keyOf = ({ place, title, name, formula }: DeskRequest): string => JSON.stringify([place, title, name, formula]);

function storedFormulas(): readonly string[] {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(RECENT_KEY) ?? '[]');
    return Array.isArray(stored) ? stored.filter(item => typeof item === 'string').slice(0, KEPT) : [];
  } catch {
    return [];
  }
}
