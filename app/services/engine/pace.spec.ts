import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Pace } from './pace';

describe('the pace of what tells of a figure', () => {
  beforeEach(() => jasmine.clock().install());
  afterEach(() => jasmine.clock().uninstall());

  it('keeps up when nothing is dragged, lags within a beat while something is, and is up to now afterwards', () => {
    const pace = TestBed.inject(Pace);
    const source = signal(1);
    const told = pace.follow(source, 'words');
    source.set(2);
    expect(told()).toBe(2);
    pace.hurry();
    // The first look within a drag is at what stands then.
    expect(told()).toBe(2);
    source.set(3);
    source.set(4);
    expect(told()).toBe(2);
    jasmine.clock().tick(250);
    expect(told()).toBe(4);
    source.set(5);
    expect(told()).toBe(4);
    dispatchEvent(new PointerEvent('pointerup'));
    expect(told()).toBe(5);
    source.set(6);
    expect(told()).toBe(6);
  });

  it('where it is calm alone, lags during a drag and at no other time', () => {
    const pace = TestBed.inject(Pace);
    const source = signal(1);
    const told = pace.calmly(source, 'numbers');
    pace.awaitPicture();
    source.set(2);
    expect(told()).toBe(2);
    pace.hurry();
    expect(told()).toBe(2);
    source.set(3);
    expect(told()).toBe(2);
    jasmine.clock().tick(250);
    expect(told()).toBe(3);
    source.set(4);
    expect(told()).toBe(3);
    dispatchEvent(new PointerEvent('pointerup'));
    expect(told()).toBe(4);
  });

  it('waits for the picture of an edit, and a frame more; whatever is done next sees all as it stands', async () => {
    jasmine.clock().uninstall();
    const pace = TestBed.inject(Pace);
    const source = signal(1);
    const told = pace.follow(source, 'words');
    const frame = (): Promise<void> => new Promise(resolve => requestAnimationFrame(() => setTimeout(() => setTimeout(resolve))));
    expect(told()).toBe(1);
    pace.awaitPicture();
    source.set(2);
    expect(told()).toBe(1);
    pace.pictureCame();
    expect(told()).toBe(1);
    await frame();
    expect(told()).toBe(2);
    pace.awaitPicture();
    source.set(3);
    expect(told()).toBe(2);
    dispatchEvent(new KeyboardEvent('keydown', { key: 'a' }));
    expect(told()).toBe(3);
  });

  it('waits for no picture that takes long, nor longer because another is asked for', () => {
    const pace = TestBed.inject(Pace);
    const source = signal(1);
    const told = pace.follow(source, 'words');
    told();
    pace.awaitPicture();
    source.set(2);
    jasmine.clock().tick(30);
    pace.awaitPicture();
    expect(told()).toBe(1);
    jasmine.clock().tick(15);
    expect(told()).toBe(2);
  });

  it('words and numbers take turns', () => {
    const pace = TestBed.inject(Pace);
    const source = signal(1);
    const [words, numbers] = [pace.follow(source, 'words'), pace.follow(source, 'numbers')];
    pace.hurry();
    expect([words(), numbers()]).toEqual([1, 1]);
    source.set(2);
    jasmine.clock().tick(100);
    expect([words(), numbers()]).toEqual([1, 2]);
    source.set(3);
    jasmine.clock().tick(100);
    expect([words(), numbers()]).toEqual([3, 2]);
    dispatchEvent(new PointerEvent('pointerup'));
    expect([words(), numbers()]).toEqual([3, 3]);
  });

  for (const end of ['pointerup', 'pointercancel', 'blur'])
    it(`stops beating by ${end}`, () => {
      const pace = TestBed.inject(Pace);
      const source = signal(1);
      const told = pace.follow(source, 'words');
      pace.hurry();
      told();
      dispatchEvent(new Event(end));
      source.set(2);
      expect(told()).toBe(2);
      jasmine.clock().tick(10_000);
      expect(told()).toBe(2);
    });
});
