/** One window function over ordered rows. `run` is given rows sorted by partition and order. */
export interface Rank {
  readonly help: string;
  readonly example: string;
  readonly run: (sorted: SortedRows) => Float64Array;
}

export interface SortedRows {
  /** Row numbers, partition by partition, in order. */
  readonly rows: Int32Array;
  /** 1 where a partition starts, at positions in `rows`. */
  readonly starts: Uint8Array;
  /** 1 where a row differs in its order from the one before, at positions in `rows`. */
  readonly changes: Uint8Array;
}

export const ranks = {
  rank: {
    help: 'Place by the order, from 1; ties share a place and the next places are left out.',
    example: 'rank() over (order by milk desc)',
    run: ({ rows, starts, changes }) => {
      const out = new Float64Array(rows.length);
      let start = 0;
      let place = 1;
      for (let i = 0; i < rows.length; i++) {
        if (starts[i]) start = i;
        if (changes[i]) place = i - start + 1;
        out[rows[i] as number] = place;
      }
      return out;
    },
  },
} satisfies Record<string, Rank>;

export type RankName = keyof typeof ranks;
