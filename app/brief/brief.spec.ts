import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { cueKinds, type Cue, cueFactsOf } from 'core/cue';
import { choiceToken, textToken, type Token } from 'core/sentence';
import { CueLine } from './cue-line';
import { SentenceLine } from './sentence-line';
import { TokenWord } from './token-word';
import { filterWords } from 'core/words';
import { isTyping, shortcutOf } from '../shell/shortcuts';

function made<T>(component: new () => T, inputs: Record<string, unknown>): ComponentFixture<T> {
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  fixture.detectChanges();
  return fixture;
}
const element = <T>(fixture: ComponentFixture<T>): HTMLElement => fixture.nativeElement as HTMLElement;
const sheet = (): HTMLElement => document.querySelector('.sheet') as HTMLElement;
const options = [
  { value: 'sum', label: 'summed' },
  { value: 'avg', label: 'averaged' },
];

describe('tokens', () => {
  async function opened(token: Token): Promise<{ fixture: ComponentFixture<TokenWord>; chosen: string[] }> {
    const fixture = made(TokenWord, { token });
    const chosen: string[] = [];
    fixture.componentInstance.chosen.subscribe(value => chosen.push(value));
    element(fixture).querySelector<HTMLElement>('[role="button"]')?.click();
    await fixture.whenStable();
    return { fixture, chosen };
  }

  it('a click opens the choices, choosing closes them and gives the focus back', async () => {
    const { fixture, chosen } = await opened(choiceToken('summary', 'Summed how', 'sum', options));
    expect(sheet().getAttribute('role')).toBe('dialog');
    expect(sheet().querySelector('[aria-selected="true"]')?.textContent).toContain('summed');
    sheet().querySelectorAll<HTMLElement>('[role="option"]')[1]?.click();
    expect(chosen).toEqual(['avg']);
    expect(sheet()).toBeNull();
    expect(document.activeElement).toBe(element(fixture).querySelector('[role="button"]'));
  });
  it('choosing what is chosen changes nothing', async () => {
    const { chosen } = await opened(choiceToken('summary', 'Summed how', 'sum', options));
    sheet().querySelector<HTMLElement>('[aria-selected="true"]')?.click();
    expect(chosen).toEqual([]);
  });
  it('a text is typed and used', async () => {
    const { chosen } = await opened(textToken('title', 'Title', 'Old', 'no title'));
    const field = sheet().querySelector('input') as HTMLInputElement;
    field.value = '<b>New</b>';
    sheet()
      .querySelector('form')
      ?.dispatchEvent(new Event('submit', { cancelable: true }));
    expect(chosen).toEqual(['<b>New</b>']);
  });
  it('long lists are searched', async () => {
    const many = Array.from({ length: 12 }, (_, i) => ({ value: `v${i}`, label: `hut ${i}` }));
    const { fixture } = await opened(choiceToken('category', 'Category', 'v0', many));
    const search = sheet().querySelector('input') as HTMLInputElement;
    search.value = 'HUT 1';
    search.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect([...sheet().querySelectorAll('[role="option"]')].map(option => option.textContent?.trim())).toEqual([
      'hut 1',
      'hut 10',
      'hut 11',
    ]);
    search.value = 'none such';
    search.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(sheet().textContent).toContain('Nothing is called that.');
  });
  afterEach(() => document.querySelectorAll('.cdk-overlay-container').forEach(overlay => overlay.remove()));
});

describe('sentences on the screen', () => {
  it('never take text for markup', () => {
    const fixture = made(SentenceLine, { sentence: ['Call it ', textToken('title', 'Title', '<img src=x>', '')] });
    expect(element(fixture).querySelector('img')).toBeNull();
    expect(element(fixture).textContent?.replaceAll(/\s+/g, ' ').trim()).toBe('Call it <img src=x>');
  });
  it('a cue reads, is switched, and tells why it rests', () => {
    const words = cueFactsOf({ category: 'hut', measures: ['milk'], scopes: [] });
    const cue = cueKinds.extremes.create('c', words);
    const applied = {
      cue,
      number: 1,
      helpers: [],
      treatments: [],
      quietsRest: false,
      problems: [{ code: 'cue-all-missing', name: 'milk' }],
    };
    const fixture = made(CueLine, { cue, words, number: 1, applied });
    expect(element(fixture).textContent).toContain('Every value of milk is missing');
    const changed: Cue[] = [];
    fixture.componentInstance.changed.subscribe(next => changed.push(next));
    element(fixture).querySelector<HTMLElement>('[role="switch"]')?.click();
    expect(changed.map(next => next.on)).toEqual([false]);
  });
});

describe('filters in words', () => {
  const cases: readonly [filter: Parameters<typeof filterWords>[0], words: string][] = [
    [{ kind: 'values', column: 'valley', keep: ['Tolm', null] }, 'valley: Tolm, (missing)'],
    [{ kind: 'values', column: 'valley', keep: [] }, 'valley: none'],
    [{ kind: 'values', column: 'hut', keep: ['A', 'B', 'C', 'D', 'E'] }, 'hut: A, B, C and 2 more'],
    [{ kind: 'range', column: 'week', low: null, high: null }, 'week: all'],
    [{ kind: 'range', column: 'week', low: '2031-05-05', high: null }, 'week from 2031-05-05'],
    [{ kind: 'range', column: 'milk', low: null, high: 9 }, 'milk up to 9'],
    [{ kind: 'range', column: 'milk', low: 1, high: 9 }, 'milk 1 to 9'],
  ];
  for (const [filter, words] of cases) it(words, () => expect(filterWords(filter)).toBe(words));
});

describe('shortcuts', () => {
  const cases: readonly [keys: KeyboardEventInit, action: ReturnType<typeof shortcutOf>][] = [
    [{ key: 'z', ctrlKey: true }, 'undo'],
    [{ key: 'Z', ctrlKey: true, shiftKey: true }, 'redo'],
    [{ key: 'z', metaKey: true }, 'undo'],
    [{ key: '∫', code: 'KeyB', altKey: true }, 'search'],
    [{ key: '1', code: 'Digit1', altKey: true }, 'brief'],
    [{ key: '3', code: 'Digit3', altKey: true }, 'ledger'],
    [{ key: 'z' }, null],
    [{ key: 'b', code: 'KeyB', altKey: true, ctrlKey: true }, null],
  ];
  for (const [keys, action] of cases)
    it(`${JSON.stringify(keys)} is ${action ?? 'nothing'}`, () => expect(shortcutOf(new KeyboardEvent('keydown', keys))).toBe(action));
  it('typing is typing', () => {
    expect([isTyping(document.createElement('input')), isTyping(document.createElement('button')), isTyping(null)]).toEqual([
      true,
      false,
      false,
    ]);
  });
});
