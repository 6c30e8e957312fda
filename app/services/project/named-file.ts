/** A file on its way in. */
export interface NamedFile {
  readonly file: Blob;
  readonly name: string;
}
