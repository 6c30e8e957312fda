import { collapsesIn, contrastOf } from 'core/colour';
import { LIVERIES, type LiveryDoc } from 'core/document';
import { liveryFaults, withColour } from './index';

const [livery] = LIVERIES as [LiveryDoc];

describe('faults of a livery', () => {
  it('those that come with Cowbell have none, but that grey has few steps', () => {
    for (const item of LIVERIES.filter(({ name }) => name !== 'Ink on paper'))
      expect(liveryFaults(item).map(({ words }) => words)).toEqual([]);
  });
  it('ink that does not read, with the nearest that does', () => {
    const [fault] = liveryFaults({ ...livery, ink: '#b5c4bf' });
    expect(fault?.words).toMatch(/^Ink: 1\.[78] : 1 on the ground; 4\.5 : 1 is needed\.$/);
    expect(contrastOf(fault?.offer ?? livery.ground, livery.ground)).toBeGreaterThanOrEqual(4.5);
  });
  it('a pair that collapses says which, and taking the offer mends it', () => {
    const wrong = withColour(livery, { of: 'emphasis', name: 'pasture' }, livery.colours['clay'] as string);
    const fault = liveryFaults(wrong).find(({ words }) => words.startsWith('Pasture') && words.includes('clay'));
    expect(fault?.words).toMatch(/look alike in full colour vision, protanopia/);
    const mended = withColour(wrong, fault!.spot, fault!.offer as string);
    expect(liveryFaults(mended)).toEqual([]);
    expect(collapsesIn(mended.colours['clay'] as string, mended.colours['pasture'] as string)).toEqual([]);
  });
  it('a series is told by its place', () => {
    const wrong = withColour(livery, { of: 'series', at: 1 }, livery.series[0] as string);
    expect(liveryFaults(wrong)[0]?.words).toMatch(/^Series 1 and series 2 look alike/);
    expect(withColour(livery, { of: 'field', name: 'quiet' }, '#000000').quiet).toBe('#000000');
  });
});
