import type { IHeaderComp, IHeaderParams } from 'ag-grid-community';
import { tintOf } from '../ui/tint';
import type { GridColumn } from './grid-column';

/** Parameters of a header beside the grid's own. */
export interface ColumnHeaderParams extends IHeaderParams {
  readonly shown: GridColumn;
  readonly onFormula: (button: HTMLElement) => void;
}

/** A column's name; for a helper column its cue's number and colour, and a button that shows its formula. */
export class ColumnHeader implements IHeaderComp {
  private readonly root = document.createElement('div');
  private params!: ColumnHeaderParams;
  private readonly follow = (): void => this.drawSort();

  init(params: ColumnHeaderParams): void {
    this.params = params;
    this.root.className = 'ledger-header';
    const { helper, name } = params.shown;
    if (helper) this.root.append(badge(helper.cue?.number ?? null, helper.colour));
    const label = document.createElement('button');
    label.type = 'button';
    label.tabIndex = -1;
    label.className = 'ledger-name';
    label.textContent = name;
    label.title = `Sort by ${name}`;
    label.addEventListener('click', event => params.progressSort(event.shiftKey));
    this.root.append(label, this.arrow);
    if (helper) this.root.append(this.formulaButton());
    params.column.addEventListener('sortChanged', this.follow);
    this.drawSort();
  }

  getGui(): HTMLElement {
    return this.root;
  }

  refresh(): boolean {
    return false;
  }

  destroy(): void {
    this.params.column.removeEventListener('sortChanged', this.follow);
  }

  private readonly arrow = document.createElement('span');

  private drawSort(): void {
    const sort = this.params.column.getSort();
    this.arrow.textContent = sort === 'asc' ? '↑' : sort === 'desc' ? '↓' : '';
  }

  private formulaButton(): HTMLElement {
    const button = document.createElement('button');
    button.type = 'button';
    button.tabIndex = -1;
    button.className = 'ledger-formula';
    button.textContent = 'formula';
    button.setAttribute('aria-label', `Formula of ${this.params.shown.name}`);
    button.addEventListener('click', () => this.params.onFormula(button));
    return button;
  }
}

/** A head in focus: Enter shows the formula of a helper column and sorts by another; the space bar sorts. True where the key was taken. */
export function keyOnHead(event: KeyboardEvent): boolean {
  const head = event.target;
  if (event.type !== 'keydown' || !(head instanceof HTMLElement) || (event.key !== 'Enter' && event.key !== ' ')) return false;
  const formula = event.key === 'Enter' ? head.querySelector<HTMLElement>('.ledger-formula') : null;
  const button = formula ?? head.querySelector<HTMLElement>('.ledger-name');
  if (!button) return false;
  event.preventDefault();
  button.click();
  return true;
}

function badge(cue: number | null, colour: string | null): HTMLElement {
  const made = document.createElement('span');
  made.className = 'ledger-badge';
  made.textContent = cue === null ? 'ƒ' : String(cue);
  made.title = cue === null ? 'Computed by a formula of your own' : `Computed by cue ${cue}`;
  made.style.setProperty('--tint', tintOf(colour));
  return made;
}
