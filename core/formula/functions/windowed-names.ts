/**
 * Names of the functions that take a window, apart from the functions, so that windows can be added to formulas where nothing is computed. A spec
 * holds the two equal.
 */
export const WINDOWED_NAMES: ReadonlySet<string> = new Set(
  (
    'sum avg min max count median mode stddev_samp stddev_pop var_samp var_pop percentile_cont percentile_disc corr regr_slope regr_intercept ' +
    'row_number rank dense_rank percent_rank cume_dist ntile lag lead first_value last_value nth_value'
  ).split(' '),
);
