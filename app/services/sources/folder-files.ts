import type { NamedFile } from '../project/named-file';

/** Files of folders, at most. */
const MOST_FILES = 2_000;

/** The dropped files, including those in folders at any depth, without hidden files. Reads at most `MOST_FILES`. */
export async function droppedFiles(files: readonly File[], entries: readonly (FileSystemEntry | null)[]): Promise<NamedFile[]> {
  if (!entries.some(entry => entry?.isDirectory)) return files.map(file => ({ file, name: file.name }));
  const found: NamedFile[] = [];
  for (const entry of entries) if (entry) await collect(entry, '', found);
  return inOrder(found);
}

/** Files that were chosen: those of a folder by their places in it, in order and without the hidden ones; others as they were chosen. */
export function chosenFiles(files: readonly File[]): NamedFile[] {
  if (!files.some(file => file.webkitRelativePath)) return files.map(file => ({ file, name: file.name }));
  const found = files.map(file => ({ file, name: file.webkitRelativePath }));
  return inOrder(found.filter(({ name }) => !name.split('/').some(part => part.startsWith('.')))).slice(0, MOST_FILES);
}

/** Files by their names, numbers in them as numbers. */
const inOrder = (files: readonly NamedFile[]): NamedFile[] =>
  [...files].sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));

async function collect(entry: FileSystemEntry, path: string, found: NamedFile[]): Promise<void> {
  if (found.length >= MOST_FILES || entry.name.startsWith('.')) return;
  const name = path ? `${path}/${entry.name}` : entry.name;
  if (entry.isFile) found.push({ file: await fileOf(entry as FileSystemFileEntry), name });
  else for (const inner of await entriesOf((entry as FileSystemDirectoryEntry).createReader())) await collect(inner, name, found);
}

const fileOf = (entry: FileSystemFileEntry): Promise<File> => new Promise((resolve, reject) => entry.file(resolve, reject));

/** A folder tells its entries a hundred at a time. */
async function entriesOf(reader: FileSystemDirectoryReader): Promise<FileSystemEntry[]> {
  const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
  return some.length ? [...some, ...(await entriesOf(reader))] : [];
}
