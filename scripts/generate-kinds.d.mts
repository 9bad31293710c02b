export declare function kindsIndex(): string
