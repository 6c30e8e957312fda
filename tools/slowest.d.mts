export declare function slowest(millis: ReadonlyMap<string, number>): string;
