export declare const isHere: (address: string) => boolean;
