import { failure, type Result } from 'core/result';
import { dataSettings } from './data/data-section';
import { helperSettings } from './data/helper-section';
import { scalesSettings } from './axes/scales-section';
import { shapeSettings } from './shape/shape-section';
import { isDecided, keyOf, type Change, type Setting, type Settings, type Subject } from './setting';
import { wordsSettings } from './labels/words-section';

/** Every setting of the brief, by the name with which the keys of its tokens begin. */
export const settings: Settings = { ...dataSettings, ...shapeSettings, ...helperSettings, ...scalesSettings, ...wordsSettings };

/** The setting and place of a token's key; undefined where this figure does not have it. */
export function settingOf(figure: Subject['figure'], key: string): { readonly setting: Setting; readonly place: string } | undefined {
  const [name = '', place = ''] = key.split(':');
  const setting = Object.hasOwn(settings, name) ? settings[name] : undefined;
  return setting?.places(figure).includes(place) ? { setting, place } : undefined;
}

/** Applies a choice to the figure; only offered values are accepted. */
export function chooseWord(subject: Subject, key: string, value: string): Result<Change> {
  const found = settingOf(subject.figure, key);
  if (!found) return failure({ code: 'setting-unknown', key });
  return found.setting.choose(subject, found.place, value);
}

/** A setting as the search for actions shows it. */
export interface FoundSetting {
  readonly key: string;
  readonly about: string;
  readonly search: string;
}

/** The settings of some tokens; formulas are none. */
export const settingsBehind = (subject: Subject, keys: readonly string[]): readonly FoundSetting[] =>
  keys.flatMap(key => {
    const found = settingOf(subject.figure, key);
    return found ? [{ key, about: found.setting.about(subject, found.place), search: found.setting.search }] : [];
  });

/** Keys of the decided settings of a figure. */
export const decidedKeys = (subject: Subject): readonly string[] =>
  Object.entries(settings).flatMap(([name, setting]) =>
    setting
      .places(subject.figure)
      .filter(place => isDecided(setting, subject, place))
      .map(place => keyOf(name, place)),
  );
