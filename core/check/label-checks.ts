import { axesIn, type Check, type Risk } from './check';

/** Labels that write a measure otherwise than the axis that it is read at. */
export const otherFormat: Check = {
  severity: 'unclear',
  about: 'a label that names another format than its axis',
  find({ figure, plan, formats }) {
    const { labels } = figure;
    const named = formats.find(({ name }) => name === labels.format);
    if (!named || ['cued', 'none'].includes(labels.what) || labels.says !== 'value') return [];
    return axesIn(plan).flatMap(({ layers, words }): Risk[] => {
      const own = layers.find(layer => layer.labels.length > 0 && layer.cue === null);
      const measure = figure.data.measures.find(({ name }) => name === own?.measure);
      if (!own || !measure || measure.format === named.name) return [];
      return [
        {
          words: `Labels write ${measure.name} as ${named.name}, ${words} ${measure.format ? `as ${measure.format}` : 'as it comes'}: one value reads as two.`,
          key: 'label-format',
          mend: { words: 'Write labels as the axis does', change: { labels: { ...labels, format: null } } },
        },
      ];
    });
  },
};

// Labels of cues that would not be missed are few; so many of them are worth a word.
const MANY = 100;

/** Labels for more marks than can be read; those without room are told beside the figure, as it is laid out. */
export const tooManyLabels: Check = {
  severity: 'unclear',
  about: 'labels dropped or cut',
  find({ figure, plan }) {
    const count = plan.panels.flatMap(panel => panel.layers).reduce((sum, { labels }) => sum + labels.length, 0);
    if (count <= MANY) return [];
    return [
      {
        words: `${count.toLocaleString('en')} labels are asked for: most of them have no room, and are listed in the brief.`,
        key: 'label-what',
        mend:
          figure.labels.what === 'all'
            ? { words: 'Label what the cues mark', change: { labels: { ...figure.labels, what: 'cued' } } }
            : null,
      },
    ];
  },
};
