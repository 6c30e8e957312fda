/** The folder that all of some files lie in; null where there is none. */
export function folderOf(names: readonly string[]): string | null {
  const folder = names[0]?.split('/')[0] ?? '';
  return names.every(name => name.startsWith(`${folder}/`)) ? folder : null;
}

/** A short name for incoming files: one file by its name, several by their number and folder. */
export function filesName(names: readonly string[]): string {
  const folder = folderOf(names);
  return names.length === 1 ? (names[0] as string) : `${names.length} files${folder === null ? '' : ` of ${folder}`}`;
}
