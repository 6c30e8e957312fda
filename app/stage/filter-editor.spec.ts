import { plainTable, PROJECT_VERSION } from 'core/document';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Filter } from 'core/frame';
import { firstFigure } from 'core/brief';
import { EngineClient } from '../services/engine/engine-client';
import type { ValueCount } from 'engine';
import { ProjectStore } from '../services/project/project-store';
import { FilterEditor } from './filter-editor';

const columns = [
  { name: 'hut', type: 'text' as const },
  { name: 'week', type: 'date' as const },
  { name: 'milk', type: 'number' as const },
];
const figure = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: 3, units: {}, columns });
const counts: Readonly<Record<string, readonly ValueCount[]>> = {
  hut: [
    { value: 'Alm', count: 1200 },
    { value: 'Berg', count: 1 },
    { value: null, count: 2 },
  ],
  week: [
    { value: '2031-05-01', count: 1 },
    { value: '2031-05-08', count: 2 },
  ],
  milk: [{ value: '10', count: 3 }],
};

async function edited(
  filter: Filter,
): Promise<{ fixture: ComponentFixture<FilterEditor>; root: HTMLElement; last: () => Filter | undefined }> {
  const engine = { api: { valueCounts: (_table: unknown, column: string) => Promise.resolve(counts[column] ?? []) } };
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection(), { provide: EngineClient, useValue: engine }] });
  const project = {
    version: PROJECT_VERSION as typeof PROJECT_VERSION,
    id: 'p',
    name: 'p',
    tables: [plainTable('d', 'deliveries')],
    figures: [figure],
    formats: [],
    pictures: [],
    liveries: [],
    looks: [],
  };
  TestBed.inject(ProjectStore).open({ project, entries: [], sources: { d: { name: 'deliveries', rowCount: 3, columns } } });
  const fixture = TestBed.createComponent(FilterEditor);
  fixture.componentRef.setInput('filter', filter);
  fixture.componentRef.setInput('figure', figure);
  let last: Filter | undefined;
  fixture.componentInstance.changed.subscribe(next => {
    last = next;
    fixture.componentRef.setInput('filter', next);
  });
  await fixture.whenStable();
  return { fixture, root: fixture.nativeElement as HTMLElement, last: () => last };
}
const button = (root: HTMLElement, words: RegExp): HTMLButtonElement | undefined =>
  [...root.querySelectorAll('button')].find(item => words.test(item.textContent ?? ''));

describe('editing a filter', () => {
  it('values stand with their counts, missing by name; ticks keep the order of the list', async () => {
    const { fixture, root, last } = await edited({ kind: 'values', column: 'hut', keep: ['Berg'] });
    expect(root.textContent).toContain('1,200');
    expect(root.textContent).toContain('(missing)');
    button(root, /Alm/)?.click();
    expect(last()).toEqual({ kind: 'values', column: 'hut', keep: ['Alm', 'Berg'] });
    await fixture.whenStable();
    button(root, /^\s*None/)?.click();
    expect(last()).toEqual({ kind: 'values', column: 'hut', keep: [] });
    await fixture.whenStable();
    button(root, /^\s*All/)?.click();
    expect(last()).toEqual({ kind: 'values', column: 'hut', keep: ['Alm', 'Berg', null] });
  });

  const kinds: readonly [from: Filter, words: RegExp, to: Filter][] = [
    [{ kind: 'values', column: 'hut', keep: [] }, /^\s*top/, { kind: 'top', column: 'hut', n: 5, measure: 'sum(milk)', end: 'largest' }],
    [{ kind: 'values', column: 'hut', keep: [] }, /^\s*missing/, { kind: 'missing', column: 'hut', keep: 'missing' }],
    [{ kind: 'missing', column: 'hut', keep: 'missing' }, /^\s*not missing/, { kind: 'missing', column: 'hut', keep: 'there' }],
    [
      { kind: 'range', column: 'week', low: null, high: null },
      /^\s*values/,
      { kind: 'values', column: 'week', keep: ['2031-05-01', '2031-05-08'] },
    ],
    [{ kind: 'values', column: 'milk', keep: [] }, /^\s*a range/, { kind: 'range', column: 'milk', low: null, high: null }],
  ];
  for (const [from, words, to] of kinds)
    it(`from ${from.kind} to ${to.kind} of ${'column' in to ? to.column : ''}`, async () => {
      const { root, last } = await edited(from);
      button(root, words)?.click();
      expect(last()).toEqual(to);
    });
  it('text has no range', async () =>
    expect(button((await edited({ kind: 'values', column: 'hut', keep: [] })).root, /a range/)).toBeUndefined());

  const bounds: readonly [typed: string, low: number | null][] = [
    ['1,234.5', 1234.5],
    ['', null],
    ['-3', -3],
  ];
  for (const [typed, low] of bounds)
    it(`a bound “${typed}” is ${String(low)}`, async () => {
      const { root, last } = await edited({ kind: 'range', column: 'milk', low: 7, high: null });
      const field = root.querySelector('input')!;
      field.value = typed;
      field.dispatchEvent(new Event('change'));
      expect(last()).toEqual({ kind: 'range', column: 'milk', low, high: null });
    });
  const refusals: readonly [kind: Filter, typed: string, says: RegExp][] = [
    [{ kind: 'range', column: 'milk', low: 7, high: null }, 'lots', /“lots” is not a number/],
    [{ kind: 'range', column: 'milk', low: 7, high: 5 }, '9', /From 9 to 5 runs backwards/],
    [{ kind: 'top', column: 'hut', n: 3, measure: 'sum(milk)', end: 'largest' }, '0', /Keep at least one/],
    [{ kind: 'top', column: 'hut', n: 3, measure: 'sum(milk)', end: 'largest' }, '2.5', /whole number/],
  ];
  for (const [filter, typed, says] of refusals)
    it(`“${typed}” is refused beside its field, and kept there`, async () => {
      const { fixture, root, last } = await edited(filter);
      const field = root.querySelector('input')!;
      field.value = typed;
      field.dispatchEvent(new Event('change'));
      await fixture.whenStable();
      expect(last()).toBeUndefined();
      expect(root.querySelector('[data-fault]')?.textContent).toMatch(says);
      expect([field.value, field.getAttribute('aria-invalid')]).toEqual([typed, 'true']);
    });
  it('dates are chosen among those there are', async () => {
    const { root, last } = await edited({ kind: 'range', column: 'week', low: null, high: null });
    const select = root.querySelector('select')!;
    expect([...select.options].map(option => option.value)).toEqual(['', '2031-05-01', '2031-05-08']);
    select.value = '2031-05-08';
    select.dispatchEvent(new Event('change'));
    expect(last()).toEqual({ kind: 'range', column: 'week', low: '2031-05-08', high: null });
  });
  it('top takes a number above zero only', async () => {
    const { root, last } = await edited({ kind: 'top', column: 'hut', n: 5, measure: 'sum(milk)', end: 'largest' });
    const field = root.querySelector('input')!;
    for (const typed of ['0', '3']) {
      field.value = typed;
      field.dispatchEvent(new Event('change'));
    }
    expect(last()).toEqual({ kind: 'top', column: 'hut', n: 3, measure: 'sum(milk)', end: 'largest' });
  });
});
