import { execFileSync } from 'node:child_process';

/** Peak memory in bytes of a process that does one work of `bench/peak.ts`; of an idle one for `none`. */
export function peakOf(work: string, file = ''): number {
  return Number(execFileSync(process.execPath, ['--import', 'tsx', 'bench/peak.ts', file, work], { encoding: 'utf8' }).trim());
}
