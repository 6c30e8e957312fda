import { ChangeDetectionStrategy, Component, effect, ElementRef, inject, input } from '@angular/core';
import arrowDown from 'lucide/dist/esm/icons/arrow-down.mjs';
import arrowUp from 'lucide/dist/esm/icons/arrow-up.mjs';
import chevronDown from 'lucide/dist/esm/icons/chevron-down.mjs';
import chevronLeft from 'lucide/dist/esm/icons/chevron-left.mjs';
import chevronRight from 'lucide/dist/esm/icons/chevron-right.mjs';
import check from 'lucide/dist/esm/icons/check.mjs';
import copy from 'lucide/dist/esm/icons/copy.mjs';
import download from 'lucide/dist/esm/icons/download.mjs';
import ellipsis from 'lucide/dist/esm/icons/ellipsis.mjs';
import folderOpen from 'lucide/dist/esm/icons/folder-open.mjs';
import grip from 'lucide/dist/esm/icons/grip-vertical.mjs';
import help from 'lucide/dist/esm/icons/circle-question-mark.mjs';
import layoutGrid from 'lucide/dist/esm/icons/layout-grid.mjs';
import maximize from 'lucide/dist/esm/icons/maximize-2.mjs';
import moon from 'lucide/dist/esm/icons/moon.mjs';
import pencil from 'lucide/dist/esm/icons/pencil.mjs';
import plus from 'lucide/dist/esm/icons/plus.mjs';
import redo from 'lucide/dist/esm/icons/redo-2.mjs';
import search from 'lucide/dist/esm/icons/search.mjs';
import sigma from 'lucide/dist/esm/icons/sigma.mjs';
import sun from 'lucide/dist/esm/icons/sun.mjs';
import table from 'lucide/dist/esm/icons/table-2.mjs';
import trash from 'lucide/dist/esm/icons/trash.mjs';
import undo from 'lucide/dist/esm/icons/undo-2.mjs';
import x from 'lucide/dist/esm/icons/x.mjs';

const icons = {
  'arrow-down': arrowDown,
  'arrow-up': arrowUp,
  'chevron-down': chevronDown,
  'chevron-left': chevronLeft,
  'chevron-right': chevronRight,
  check,
  copy,
  download,
  ellipsis,
  'folder-open': folderOpen,
  grip,
  help,
  'layout-grid': layoutGrid,
  maximize,
  moon,
  pencil,
  plus,
  redo,
  search,
  sigma,
  sun,
  table,
  trash,
  undo,
  x,
};

/** Icons by name; a new one is one entry here. */
export type IconName = keyof typeof icons;

const SVG = 'http://www.w3.org/2000/svg';

/** A 16-pixel icon beside a word, or in a button that has an accessible name. */
@Component({
  selector: 'cb-icon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { 'aria-hidden': 'true', class: 'inline-flex shrink-0' },
  template: '',
})
export class Icon {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  readonly name = input.required<IconName>();

  constructor() {
    effect(() => this.host.nativeElement.replaceChildren(drawn(this.name())));
  }
}

function drawn(name: IconName): SVGElement {
  const svg = element('svg', {
    viewBox: '0 0 24 24',
    width: '16',
    height: '16',
    fill: 'none',
    stroke: 'currentColor',
    'stroke-width': '2',
  });
  svg.setAttribute('stroke-linecap', 'round');
  svg.setAttribute('stroke-linejoin', 'round');
  svg.append(...icons[name].map(([tag, attributes]) => element(tag, attributes)));
  return svg;
}

function element(tag: string, attributes: Readonly<Record<string, string>>): SVGElement {
  const made = document.createElementNS(SVG, tag);
  for (const [name, value] of Object.entries(attributes)) made.setAttribute(name, value);
  return made;
}
