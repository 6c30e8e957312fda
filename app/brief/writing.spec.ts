import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { firstFigure } from 'core/brief';
import { plainFormat, plainTable, PROJECT_VERSION, type NumberFormat } from 'core/document';
import { FormulaDesk, type DeskRequest } from '../services/figure/formula-desk';
import { ProjectStore } from '../services/project/project-store';
import { Spark } from '../desk/spark';
import { ArrangeList } from '../ui/arrange-list';
import { CommandSearch, type Command } from '../shell/command-search';
import { ColumnPicker } from './column-picker';
import { FormulaWriting } from './formula-writing';
import { NumberFormats } from './number-formats';

const columns = [
  { name: 'hut', type: 'text' as const },
  { name: 'milk', type: 'number' as const },
];
const figure = firstFigure('f', { id: 'd', name: 'deliveries', rowCount: 2, units: {}, columns });

function made<T>(component: new () => T, inputs: Record<string, unknown>): ComponentFixture<T> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
  return fixture;
}
const root = <T>(fixture: ComponentFixture<T>): HTMLElement => fixture.nativeElement as HTMLElement;
const click = (within: HTMLElement, words: RegExp): void =>
  [...within.querySelectorAll('button')].find(button => words.test(button.getAttribute('aria-label') ?? button.textContent ?? ''))?.click();

beforeEach(() => TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] }));

describe('writing formulas into the project', () => {
  let store: ProjectStore;
  let desk: FormulaDesk;
  let writing: FormulaWriting;
  beforeEach(() => {
    store = TestBed.inject(ProjectStore);
    desk = TestBed.inject(FormulaDesk);
    writing = TestBed.inject(FormulaWriting);
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
    store.open({ project, entries: [], sources: { d: { name: 'deliveries', rowCount: 2, columns } } });
  });
  const request = (): DeskRequest => desk.request() as DeskRequest;
  const own = { kind: 'own' } as const;

  it('a derived column: added, changed, removed, each one step of undo', () => {
    writing.derived(figure, null);
    expect(request().use({ name: 'twice', formula: 'milk * 2', scope: own })).toBeNull();
    expect(store.tableDoc('d')?.derived).toEqual([{ name: 'twice', formula: 'milk * 2' }]);
    writing.derived(figure, 'twice');
    expect([request().name, request().formula]).toEqual(['twice', 'milk * 2']);
    request().use({ name: 'thrice', formula: 'milk * 3', scope: own });
    expect(store.tableDoc('d')?.derived).toEqual([{ name: 'thrice', formula: 'milk * 3' }]);
    writing.derived(figure, 'thrice');
    request().remove?.();
    expect(store.tableDoc('d')?.derived).toEqual([]);
    store.undo();
    expect(store.tableDoc('d')?.derived.length).toBe(1);
  });
  it('a measure: added behind, or replaced where it stands', async () => {
    writing.measure(figure, null);
    request().use({ name: 'ratio', formula: 'sum(milk) / count(*)', scope: own });
    expect(store.figure?.data.measures.map(measure => measure.name)).toEqual(['milk', 'ratio']);
    writing.measure(store.figure!, 1);
    request().use({ name: 'share', formula: 'sum(milk)', scope: own });
    // What replaces a measure is loaded when it is called for.
    await import('../services/figure/figure-making').then(() => new Promise(done => setTimeout(done)));
    expect(store.figure?.data.measures[1]).toEqual({ name: 'share', formula: 'sum(milk)', shape: null, axis: 'first', format: null });
    writing.measure(store.figure!, 1);
    request().remove?.();
    expect(store.figure?.data.measures.length).toBe(1);
  });
  it('a helper column keeps its shape and format when its formula changes', () => {
    writing.helper(figure, null);
    request().use({ name: 'change', formula: 'milk - lag(milk)', scope: { kind: 'along', column: 'hut', within: [] } });
    store.changeFigure({
      data: { ...store.figure!.data, helpers: store.figure!.data.helpers.map(helper => ({ ...helper, shape: 'line' as const })) },
    });
    writing.helper(store.figure!, 0);
    request().use({ name: 'rise', formula: 'milk - lag(milk)', scope: own });
    expect(store.figure?.data.helpers).toEqual([
      { name: 'rise', formula: 'milk - lag(milk)', scope: own, shape: 'line', axis: 'first', format: null },
    ]);
    writing.helper(store.figure!, 0);
    request().remove?.();
    expect(store.figure?.data.helpers).toEqual([]);
  });
  const taken: readonly [place: 'derived' | 'measure' | 'helper', name: string, says: RegExp][] = [
    ['derived', 'HUT', /A column is called HUT already/],
    ['measure', 'hut', /called hut already/],
    ['helper', 'milk', /called milk already/],
    ['helper', '', /Give it a name first/],
  ];
  for (const [place, name, says] of taken)
    it(`a ${place} called “${name}” is refused and changes nothing`, () => {
      writing[place](figure, null);
      expect(request().use({ name, formula: '1', scope: own })).toMatch(says);
      expect(store.snapshot?.history.past).toEqual([]);
    });
  it('used formulas come back, the latest first and each once', () => {
    localStorage.removeItem('cowbell-recent-formulas');
    for (const formula of ['a', 'b', 'a']) desk.remember(formula);
    expect(desk.recent().slice(0, 2)).toEqual(['a', 'b']);
    localStorage.removeItem('cowbell-recent-formulas');
  });
});

describe('number formats', () => {
  const percent = plainFormat('percent', { decimals: 1, percent: true });
  it('shows what each writes, adds one, changes one, removes one', () => {
    const fixture = made(NumberFormats, { formats: [percent] });
    let formats: readonly NumberFormat[] = [];
    fixture.componentInstance.changed.subscribe(list => (formats = list));
    expect(root(fixture).textContent).toContain('123,456.8 %   4.7 %');
    const fields = root(fixture).querySelectorAll('input');
    const write = (at: number, value: string, event = 'input'): void => {
      fields[at]!.value = value;
      fields[at]!.dispatchEvent(new Event(event));
    };
    write(0, 'volume');
    write(1, '0');
    write(3, ' L');
    write(4, '1000', 'change');
    fixture.detectChanges();
    root(fixture)
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    expect(formats).toEqual([percent, plainFormat('volume', { decimals: 0, suffix: ' L', scale: 1000 })]);
    fixture.componentRef.setInput('formats', formats);
    fixture.detectChanges();
    write(4, '-3', 'change');
    write(1, '99');
    fixture.detectChanges();
    root(fixture)
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    // What cannot be taken changes nothing, and stays where it was typed.
    expect(formats[1]).toEqual(plainFormat('volume', { decimals: 0, suffix: ' L', scale: 1000 }));
    expect(root(fixture).querySelector('[data-fault]')?.textContent).toContain('“99” decimals');
    expect(fields[1]!.value).toBe('99');
    click(root(fixture), /Remove percent/);
    expect(formats.map(format => format.name)).toEqual(['volume']);
  });
});

describe('small parts', () => {
  it('columns are ticked and taken together', () => {
    const fixture = made(ColumnPicker, { columns: ['milk', 'fat', 'cows'] });
    let picked: readonly string[] = [];
    fixture.componentInstance.picked.subscribe(list => (picked = list));
    for (const column of [/fat/, /cows/, /milk/, /fat/]) click(root(fixture), column);
    fixture.detectChanges();
    click(root(fixture), /Show them/);
    expect(picked).toEqual(['cows', 'milk']);
  });
  it('a list is arranged by its buttons', () => {
    const fixture = made(ArrangeList, { items: ['a', null, 'c'] });
    const told: (readonly (string | null)[])[] = [];
    fixture.componentInstance.arranged.subscribe(list => told.push(list));
    click(root(fixture), /Move down a/);
    fixture.detectChanges();
    click(root(fixture), /Move up c/);
    expect(told).toEqual([
      [null, 'a', 'c'],
      [null, 'c', 'a'],
    ]);
  });
  it('a spark has a bar per value that is there', () => {
    const fixture = made(Spark, { values: Float64Array.of(1, NaN, -2) });
    expect(root(fixture).querySelector('path')?.getAttribute('d')?.match(/M/g)?.length).toBe(2);
  });
  it('an action is found by parts of its name and run by Enter', async () => {
    const ran: string[] = [];
    const commands: Command[] = ['Hand over PNG 2×', 'Hand over CSV', 'Undo'].map(name => ({ name, run: () => ran.push(name) }));
    const fixture = made(CommandSearch, { commands });
    fixture.componentInstance.open();
    await fixture.whenStable();
    const field = document.querySelector<HTMLInputElement>('.sheet input')!;
    field.value = 'csv hand';
    field.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(document.querySelectorAll('.sheet [role="option"]').length).toBe(1);
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', cancelable: true }));
    await fixture.whenStable();
    expect(ran).toEqual(['Hand over CSV']);
  });
});
