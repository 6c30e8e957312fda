import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Pace } from './pace';

describe('the pace of what tells of a figure', () => {
  beforeEach(() => jasmine.clock().install());
  afterEach(() => jasmine.clock().uninstall());

  it('keeps up when nothing is dragged, lags within a beat while something is, and is up to now afterwards', () => {
    const pace = TestBed.inject(Pace);
    const source = signal(1);
    const told = pace.follow(source);
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

  for (const end of ['pointerup', 'pointercancel', 'blur'])
    it(`stops beating by ${end}`, () => {
      const pace = TestBed.inject(Pace);
      const source = signal(1);
      const told = pace.follow(source);
      pace.hurry();
      told();
      dispatchEvent(new Event(end));
      source.set(2);
      expect(told()).toBe(2);
      jasmine.clock().tick(10_000);
      expect(told()).toBe(2);
    });
});
