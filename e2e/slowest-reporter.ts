import type { Reporter, TestCase, TestResult } from '@playwright/test/reporter';
import { relative } from 'node:path';
import { slowest } from '../tools/slowest.mjs';

/** Ends a run with its slowest files, so that growth is seen. */
export default class SlowestReporter implements Reporter {
  private readonly millis = new Map<string, number>();

  onTestEnd({ location }: TestCase, { duration }: TestResult): void {
    const file = relative(process.cwd(), location.file);
    this.millis.set(file, (this.millis.get(file) ?? 0) + duration);
  }

  onEnd(): void {
    console.log(slowest(this.millis));
  }
}
