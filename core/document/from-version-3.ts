import { partOf, partsIn, type Loose } from './loose';

/**
 * Version 4: scopes within several columns, and decisions about empty periods, window edges, matched panels and branches. Former defaults are written
 * out, so that numbers stay the same.
 */
export function fromVersion3(document: Loose): Loose {
  const figures = partsIn(document['figures']).map(figure => {
    const data = partOf(figure['data']);
    const helpers = partsIn(data['helpers']).map(helper => ({ ...helper, scope: widened(helper['scope']) }));
    return {
      ...figure,
      data: { ...data, helpers, empty: 'missing' },
      cues: partsIn(figure['cues']).map(cue => cueOf({ ...cue, scope: widened(cue['scope']) })),
      scales: { ...partOf(figure['scales']), panels: 'matched' },
    };
  });
  const tables = partsIn(document['tables']).map(table => ({ ...table, readings: {} }));
  return { ...document, version: 4, figures, tables };
}

/** "within valley" becomes one of several columns; "along week" gets none or one. */
function widened(scope: unknown): unknown {
  if (typeof scope !== 'object' || scope === null) return scope;
  const { column, ...rest } = partOf(scope);
  if (rest['kind'] === 'within') return { ...rest, columns: [column] };
  if (rest['kind'] !== 'along') return scope;
  return { ...rest, column, within: rest['within'] === null ? [] : [rest['within']] };
}

// Robust scores count 0.6745 for what was one median absolute deviation.
const ROBUST = 0.6745;

function cueOf(cue: Loose): Loose {
  switch (cue['kind']) {
    case 'band':
      return { ...cue, includes: true, edges: 'partial' };
    case 'running':
      return { ...cue, edges: 'partial' };
    case 'rule':
      return { ...cue, takes: 'first' };
    case 'outlier':
      return cue['method'] === 'mad' && typeof cue['k'] === 'number' ? { ...cue, k: cue['k'] * ROBUST } : cue;
    default:
      return cue;
  }
}
