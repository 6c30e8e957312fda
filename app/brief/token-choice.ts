/** A choice made for a token. */
export interface TokenChoice {
  readonly key: string;
  readonly value: string;
}
