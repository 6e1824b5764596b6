export declare const SERVER: readonly string[];
export declare const SERVER_ENV: Readonly<Record<string, string>>;
